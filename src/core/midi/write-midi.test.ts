import { readFileSync } from 'node:fs';
import { Midi } from '@tonejs/midi';
import { describe, expect, it } from 'vitest';
import { playingOrder, struckNotes, type Score } from '../score';
import { openPiece } from '../studio';
import { scoreToMidi, type MidiRequest } from './write-midi';
import { scoreOfAbc } from '../studio/abc-for-tests';

const piece = async (name: string): Promise<Score> => {
  const opened = await openPiece(readFileSync(`tests/pieces/${name}`), name);
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.read.score;
};
const abc = (music: string): Score => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:C\n${music}`);
const all = (score: Score, more: Partial<MidiRequest> = {}): MidiRequest => ({
  from: 0,
  to: score.bars.length - 1,
  tempo: null,
  repeats: true,
  staves: null,
  countIn: false,
  click: false,
  ...more,
});

// Read back by an independent reader, @tonejs/midi.
describe('MIDI of a score', () => {
  it.each([
    'ode.abc',
    'petzold-menuet.musicxml',
    'hungarian-tuplets.abc',
    'jig-endings.abc',
    'sevens.abc',
    'dacapo-air.abc',
  ])('%s has every struck note at its time, in playing order', async (name) => {
    const score = await piece(name);
    const midi = new Midi(scoreToMidi(score, all(score, { tempo: 60 })));
    const { order } = playingOrder(score.bars);
    const struck = struckNotes(score.notes).filter((s) => s.note.midi !== null && s.note.grace === null);
    let at = 0;
    const wanted: string[] = [];
    for (const index of order) {
      const bar = score.bars[index];
      if (!bar) continue;
      for (const { note } of struck)
        if (note.bar === index)
          wanted.push(`${((at + note.onset - bar.onset) / score.ticksPerQuarter).toFixed(3)} ${note.midi}`);
      at += bar.length;
    }
    const theirs = midi.tracks.flatMap((t) =>
      t.notes.map((n) => `${(n.ticks / midi.header.ppq).toFixed(3)} ${n.midi}`),
    );
    const graces = score.notes.filter((n) => n.grace !== null).length;
    expect(theirs.length).toBeGreaterThanOrEqual(wanted.length);
    const left = [...theirs];
    for (const w of wanted) {
      const found = left.indexOf(w);
      expect(found, w).toBeGreaterThanOrEqual(0);
      left.splice(found, 1);
    }
    expect(left.length > 0).toBe(graces > 0);
  });

  it('joins tied notes into one', () => {
    const midi = new Midi(scoreToMidi(abc('c2 c2- | c4 |'), all(abc('c2 c2- | c4 |'))));
    expect(
      midi.tracks.flatMap((t) => t.notes.map((n) => [n.ticks / midi.header.ppq, n.durationTicks / midi.header.ppq])),
    ).toEqual([
      [0, 2],
      [2, 6],
    ]);
  });

  it('takes a range, a tempo, one hand, and counts a bar in', async () => {
    const score = await piece('petzold-menuet.musicxml');
    const midi = new Midi(
      scoreToMidi(
        score,
        all(score, { from: 4, to: 7, tempo: 50, repeats: false, staves: new Set(['P1 2']), countIn: true }),
      ),
    );
    expect(midi.header.tempos.map((t) => Math.round(t.bpm))).toEqual([50]);
    const [music, click] = midi.tracks;
    const left = struckNotes(score.notes).filter((s) => s.note.staff === 2 && s.note.bar >= 4 && s.note.bar <= 7);
    expect(music?.notes).toHaveLength(left.length);
    // A bar of three beats in front, so the first note comes on quarter 3.
    expect((music?.notes[0]?.ticks ?? 0) / midi.header.ppq).toBe(3);
    expect(click?.notes.map((n) => [n.ticks / midi.header.ppq, n.midi])).toEqual([
      [0, 76],
      [1, 77],
      [2, 77],
    ]);
  });

  it('fills a pick-up with counts up to where it begins', () => {
    const score = abc('G | c4 |');
    const midi = new Midi(scoreToMidi(score, all(score, { countIn: true })));
    expect((midi.tracks[0]?.notes[0]?.ticks ?? 0) / midi.header.ppq).toBe(7);
    expect(midi.tracks[1]?.notes).toHaveLength(7);
  });
});
