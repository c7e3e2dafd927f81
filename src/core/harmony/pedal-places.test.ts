import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readScore, writeMarks } from '../musicxml';
import { openAbc } from '../studio';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { findHarmony } from './find-harmony';
import { pedalPlaces } from './pedal-places';

const read = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${music}`);
const pedals = (music: string) => {
  const score = read(music);
  const byId = new Map(score.notes.map((n) => [n.id, n]));
  return pedalPlaces(score, findHarmony(score)).map((p) => `${p.sign} ${byId.get(p.noteId)?.onset ?? -1}`);
};
const BAR = read('C4 |').bars[0]?.length ?? 0;

describe('the pedal', () => {
  // Common practice: legato pedalling follows the harmony.
  it('goes down with the first chord, changes with each other one, and is up at the end', () => {
    expect(pedals('[C,EGc]4 | [C,EGc]4 | [F,FAc]4 | [G,GBd]4 | [C,EGc]4 |]')).toEqual([
      'down 0',
      `change ${2 * BAR}`,
      `change ${3 * BAR}`,
      `change ${4 * BAR}`,
      `up ${4 * BAR}`,
    ]);
  });
  it('is up in a silence, and down again after it', () => {
    const found = pedals('[C,EGc]2 z2 | [C,EGc]4 |]');
    expect(found.map((p) => p.split(' ')[0])).toEqual(['down', 'up', 'down', 'up']);
  });
  it('is the page’s where that has signs of its own, and nobody’s for a tune alone', () => {
    const opened = openAbc('X:1\nM:4/4\nL:1/4\nK:C\n[C,EGc]4 | [F,FAc]4 |]\n', 'x.abc');
    if (!opened.ok) throw new Error(opened.issue.message);
    const { text, read: source } = opened.value;
    const noteId = source.score.notes[0]?.id ?? '';
    const again = readScore(writeMarks(text, source, [{ kind: 'pedal', noteId, sign: 'down' }]).text, 'x.musicxml');
    if (!again.ok) throw new Error(again.issue.message);
    const printed = again.value.score;
    expect(printed.directions).toMatchObject([{ kind: 'pedal', role: 'start', onset: 0 }]);
    expect(pedalPlaces(printed, findHarmony(printed))).toEqual([]);
    expect(pedals('C D E F | G4 |]')).toEqual([]);
  });
  it('is never pressed twice, and never lifted unpressed', () => {
    const chords = ['[C,EGc]', '[F,FAc]', '[G,GBd]', '[A,CEa]', 'z'];
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...chords), { minLength: 2, maxLength: 12 }), (list) => {
        let down = false;
        for (const p of pedals(`${list.map((c) => `${c}4`).join(' | ')} |]`)) {
          const [sign] = p.split(' ');
          if (sign === 'down') expect(down).toBe(false);
          else expect(down).toBe(true);
          down = sign !== 'up';
        }
        expect(down).toBe(false);
      }),
      { numRuns: 40 },
    );
  });
});
