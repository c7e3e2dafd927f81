/** Writes the list of what ships with the application from the installed packages themselves. */
import { readFileSync, writeFileSync } from 'node:fs';

interface Lock {
  readonly packages: Readonly<
    Record<
      string,
      { readonly version?: string; readonly dev?: boolean; readonly optional?: boolean; readonly license?: string }
    >
  >;
}

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8')) as Lock;
const shipped = Object.entries(lock.packages)
  .filter(
    ([path, entry]) =>
      path.startsWith('node_modules/') &&
      !path.slice(13).includes('node_modules/') &&
      entry.dev !== true &&
      entry.optional !== true,
  )
  .map(([path, entry]) => {
    const name = path.slice('node_modules/'.length);
    const own = JSON.parse(readFileSync(`${path}/package.json`, 'utf8')) as { license?: string | { type?: string } };
    const licence =
      typeof own.license === 'string' ? own.license : (own.license?.type ?? entry.license ?? 'not stated');
    return { name, version: entry.version ?? '', licence };
  })
  .sort((a, b) => a.name.localeCompare(b.name));
writeFileSync('src/features/about/shipped.json', `${JSON.stringify(shipped, null, 2)}\n`);
process.stdout.write(`${shipped.length} packages listed\n`);
