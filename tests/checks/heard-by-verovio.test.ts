/**
 * What is to be heard of a score, against the MIDI that another reader (Verovio) makes of the same bars: every onset
 * and pitch, with repeats, ties joined. Its known faults are left aside: grace notes, which it takes from what follows,
 * and arpeggios, which it spreads; it knows no jumps in an excerpt, and writes ornaments out.
 */
import { readFileSync, readdirSync } from 'node:fs';
import { Midi } from '@tonejs/midi';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { beforeAll, describe, expect, it } from 'vitest';
import { writeExcerpt } from '@/core/musicxml';
import { PLAIN_PLAN, timedMusic } from '@/core/performance';
import { transpositionInSemitones } from '@/core/score';
import { openPiece } from '@/core/studio';

const FOLDER = 'tests/pieces';
const FILES = readdirSync(FOLDER).filter((name) => /\.(abc|musicxml)$/.test(name));

let toolkit: VerovioToolkit;
beforeAll(async () => {
  toolkit = new VerovioToolkit(await createVerovioModule());
});

/** `onset pitch` of every attack, times in hundredths of a quarter, how often each. */
function tally(attacks: readonly { readonly quarters: number; readonly midi: number }[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { quarters, midi } of attacks) {
    const key = `${quarters.toFixed(2)} ${midi}`;
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return counts;
}

describe.each(FILES)('%s', (name) => {
  it('is heard as another reader hears it', async () => {
    const opened = await openPiece(readFileSync(`${FOLDER}/${name}`), name);
    if (!opened.ok) throw new Error(opened.issue.message);
    const { read, text } = opened.value;
    const score = {
      ...read.score,
      swings: [],
      bars: read.score.bars.map((b) => ({ ...b, signs: { ...b.signs, jump: null } })),
    };
    const to = score.bars.length - 1;
    toolkit.setOptions({ breaks: 'none', expand: '' });
    expect(toolkit.loadData(writeExcerpt(text, read, { from: 0, to }))).toBeTruthy();
    const midi = new Midi(Buffer.from(toolkit.renderToMIDI(), 'base64'));
    const theirs = midi.tracks.flatMap((t) =>
      t.notes.map((n) => ({ quarters: n.ticks / midi.header.ppq, midi: n.midi })),
    );
    const aside = new Set(
      score.notes
        .filter((n) => n.grace !== null || n.marks.arpeggiate || n.marks.ornaments.length > 0)
        .map((n) => `${n.part} ${n.staff} ${n.onset}`),
    );
    // That reader plays a transposing part as it is written.
    const up = new Map(score.parts.map((p) => [p.id, transpositionInSemitones(p.transpose)]));
    const written = new Map(score.notes.map((n) => [n.id, n]));
    // At 60 quarters a minute a second is a quarter.
    const { sounds } = timedMusic(score, { ...PLAIN_PLAN, to, repeats: true, tempo: 60 });
    const ours = sounds.flatMap((s) => {
      const note = written.get(s.noteId);
      if (!note || aside.has(`${note.part} ${note.staff} ${note.onset}`)) return [];
      return [{ quarters: s.at, midi: s.midi - (up.get(s.part) ?? 0) }];
    });
    const there = tally(theirs);
    const missing = [...tally(ours)].filter(([key, times]) => (there.get(key) ?? 0) < times);
    expect(missing).toEqual([]);
    // And nothing else is there: but for what is left aside, as many attacks as ours.
    if (aside.size === 0) expect(theirs.length).toBe(ours.length);
    expect(ours.length).toBeGreaterThan(0);
  });
});
