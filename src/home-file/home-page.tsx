import { renderToStaticMarkup } from 'react-dom/server';
import { contentWidth, weekBlocks, type DrawnSheet } from '@/sheet';
import { InWords } from '@/ui';
import { inBase64 } from './base64';
import type { HomeWeek } from './home-week';
import { asText } from './plain-data';
import { slimDrawings } from './slim-drawings';

/** The program of the file for home and its look, as they were built. */
export interface HomeProgram {
  readonly script: string;
  readonly style: string;
}

/** A file for home has one size: that of a telephone, and of paper where no script runs. */
const PAPER = 'a4';
const SIZE = 'normal';

/** Nothing in a script can end its element. */
const inElement = (script: string): string => script.replace(/<\/(script)/gi, '<\\/$1').replace(/<!--/g, '<\\!--');

/** A SHA-256 as a policy names it. */
async function digest(text: string): Promise<string> {
  const bytes = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text)));
  return `'sha256-${inBase64(bytes)}'`;
}

/** What the page may do: run its own script, and nothing that reaches out of it. */
const policyFor = (script: string): string =>
  [
    "default-src 'none'",
    `script-src ${script}`,
    "style-src 'unsafe-inline'",
    'img-src data:',
    'font-src data:',
    "connect-src 'none'",
    "base-uri 'none'",
    "form-action 'none'",
  ].join('; ');

const withSlim = (sheet: DrawnSheet, name: string, slim: (svg: string) => string): DrawnSheet => ({
  ...sheet,
  week: { ...sheet.week, student: name },
  music: new Map(
    [...sheet.music].map(([key, m]) => [key, { ...m, lines: m.lines.map(slim), narrow: m.narrow.map(slim) }]),
  ),
});

/**
 * The one file for home: the sheet to be read and printed, and the program that plays it. It needs nothing else and
 * reaches nothing else.
 */
export async function homePage(home: HomeWeek, drawn: DrawnSheet, program: HomeProgram): Promise<string> {
  const { slim, glyphs, face } = slimDrawings();
  const sheet = withSlim(drawn, home.student, slim);
  const blocks = weekBlocks(sheet, { width: contentWidth(PAPER), size: SIZE, leftOut: new Set() });
  const body = renderToStaticMarkup(
    <InWords bar={home.words.bar} notes={home.words.notes}>
      <main id="sheet" className="sheet sheet-alone" data-size={SIZE}>
        {blocks.map(({ key, content }) => (
          <div key={key} className="sheet-block">
            {content}
          </div>
        ))}
      </main>
    </InWords>,
  );
  const script = inElement(program.script);
  const head = renderToStaticMarkup(
    <>
      <meta httpEquiv="Content-Security-Policy" content={policyFor(await digest(script))} />
      <meta name="viewport" content="width=device-width, initial-scale=1" />
      <meta name="robots" content="noindex" />
      <meta name="format-detection" content="telephone=no, date=no, address=no, email=no" />
      <title translate="no">{`${home.student}, ${home.week}`}</title>
    </>,
  );
  return [
    '<!doctype html>',
    `<html lang="en"><head><meta charset="utf-8">${head}`,
    `<style>${program.style.replace(/<\/style/gi, '')}${face()}</style></head>`,
    `<body>${glyphs()}${body}<div id="home"></div>`,
    `<script type="application/json" id="week">${asText(home)}</script>`,
    `<script>${script}</script>`,
    '</body></html>',
    '',
  ].join('\n');
}
