import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { HomeProgram } from '../src/home-file';

const OUT = 'public/home-file';
/** Rooms that the program is made from. */
const SOURCES = ['home-file', 'room', 'audio', 'marked', 'sheet', 'ui', 'core'];

const newestIn = (folder: string): number =>
  Math.max(
    0,
    ...readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => statSync(join(entry.parentPath, entry.name)).mtimeMs),
  );

/** The program of the file for home and its look; built where they are not there, or older than their sources. */
export async function homeProgram(): Promise<HomeProgram> {
  const script = `${OUT}/program.js`;
  const style = `${OUT}/look.css`;
  const built = existsSync(script) && existsSync(style) ? statSync(style).mtimeMs : 0;
  if (built < Math.max(...SOURCES.map((room) => newestIn(`src/${room}`)))) {
    // What builds it is heavy, and mostly not needed.
    const { buildHomeFile } = await import('../scripts/build-home-file');
    await buildHomeFile();
  }
  return { script: readFileSync(script, 'utf8'), style: readFileSync(style, 'utf8') };
}
