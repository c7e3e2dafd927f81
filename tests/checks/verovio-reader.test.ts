/**
 * Onsets, pitches and bar counts against an independent reader: Verovio's timemap and MIDI values of the very same
 * document. Verovio lists tied-over notes as new attacks, so every written note can be compared; grace notes are left
 * out.
 */
import { readFileSync, readdirSync } from 'node:fs';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { beforeAll, describe, expect, it } from 'vitest';
import { writeExcerpt } from '@/core/musicxml';
import { playingOrder } from '@/core/score';
import { openPiece, type OpenedPiece } from '@/core/studio';

const FOLDER = 'tests/pieces';
const FILES = readdirSync(FOLDER).filter((name) => /\.(abc|musicxml)$/.test(name));

let toolkit: VerovioToolkit;
beforeAll(async () => {
  toolkit = new VerovioToolkit(await createVerovioModule());
});

async function open(name: string): Promise<OpenedPiece> {
  const result = await openPiece(readFileSync(`${FOLDER}/${name}`), name);
  if (!result.ok) throw new Error(result.issue.message);
  return result.value;
}

describe.each(FILES)('%s', (name) => {
  it('has the onsets and pitches that Verovio finds', async () => {
    const { read, text } = await open(name);
    const { score } = read;
    const document = writeExcerpt(text, read, { from: 0, to: score.bars.length - 1 });
    toolkit.setOptions({ breaks: 'none', expand: '' });
    expect(toolkit.loadData(document)).toBeTruthy();
    const onsets = new Map<string, number>();
    let bars = 0;
    for (const entry of toolkit.renderToTimemap({ includeMeasures: true })) {
      if (entry.measureOn) bars += 1;
      for (const id of entry.on ?? []) if (!onsets.has(id)) onsets.set(id, entry.qstamp);
    }
    // Verovio plays repeats and endings in its timemap: as many bars as our playing order, each first heard where ours
    // is. The excerpt it reads holds no jumps; those are checked by hand in playing-order-by-hand.test.ts.
    const { order } = playingOrder(score.bars.map((b) => ({ ...b, signs: { ...b.signs, jump: null } })));
    expect(bars).toBe(order.length);
    const firstHeard = new Map<number, number>();
    let clock = 0;
    for (const index of order) {
      if (!firstHeard.has(index)) firstHeard.set(index, clock);
      clock += score.bars[index]?.length ?? 0;
    }
    const graced = new Set(score.notes.filter((n) => n.grace !== null).map((n) => `${n.part} ${n.staff} ${n.onset}`));
    let compared = 0;
    for (const note of score.notes) {
      const theirs = onsets.get(note.id);
      // It moves a note that has a grace note before it; ours are where they are written.
      if (note.grace !== null || theirs === undefined || graced.has(`${note.part} ${note.staff} ${note.onset}`))
        continue;
      expect(theirs, `${note.id} in bar ${note.bar + 1}`).toBeCloseTo(
        ((firstHeard.get(note.bar) ?? 0) + note.onset - (score.bars[note.bar]?.onset ?? 0)) / score.ticksPerQuarter,
        4,
      );
      if (note.midi !== null && score.parts[0]?.transpose.chromatic === 0)
        expect(toolkit.getMIDIValuesForElement(note.id).pitch, note.id).toBe(note.midi);
      compared += 1;
    }
    expect(compared).toBeGreaterThan(score.notes.length * 0.85);
  });

  it('fills every bar exactly with every staff', async () => {
    const { read } = await open(name);
    const { score } = read;
    for (const bar of score.bars)
      for (const part of score.parts)
        for (let staff = 1; staff <= part.staves; staff += 1) {
          const events = [...score.notes.filter((n) => n.grace === null && !n.chord), ...score.rests].filter(
            (e) => e.part === part.id && e.staff === staff && e.bar === bar.index,
          );
          const byVoice = new Map<string, number>();
          for (const e of events) byVoice.set(e.voice, (byVoice.get(e.voice) ?? 0) + e.duration);
          for (const [voice, length] of byVoice)
            expect(length, `bar ${bar.number} staff ${staff} voice ${voice}`).toBe(bar.length);
        }
  });
});
