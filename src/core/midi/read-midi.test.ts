import { Midi } from '@tonejs/midi';
import { describe, expect, it } from 'vitest';
import { draftToMusicXml } from '../bargrid';
import { readScore } from '../musicxml';
import { meterText } from '../score';
import { midiToDraft } from './read-midi';

/** A file written by another implementation: @tonejs/midi. */
function written(meter: [number, number], notes: readonly (readonly [number, number, number])[]): Uint8Array {
  const midi = new Midi();
  midi.header.setTempo(90);
  midi.header.timeSignatures.push({ ticks: 0, timeSignature: meter });
  const track = midi.addTrack();
  for (const [key, quarter, length] of notes)
    track.addNote({
      midi: key,
      ticks: Math.round(quarter * midi.header.ppq),
      durationTicks: Math.round(length * midi.header.ppq),
    });
  return midi.toArray();
}

function read(bytes: Uint8Array) {
  const draft = midiToDraft(bytes, 'x.mid');
  if (!draft.ok) throw new Error(draft.issue.message);
  const score = readScore(draftToMusicXml(draft.value.draft), 'x.mid');
  if (!score.ok) throw new Error(score.issue.message);
  return score.value.score;
}

describe('MIDI as a rough source', () => {
  it('finds bars, meter, tempo, onsets and keys', () => {
    const score = read(
      written(
        [3, 4],
        [
          [67, 0, 1],
          [69, 1, 0.5],
          [71, 1.5, 0.5],
          [72, 2, 1],
          [74, 3, 3],
        ],
      ),
    );
    expect(score.bars.map((b) => [meterText(b.meter), b.length / score.ticksPerQuarter])).toEqual([
      ['3/4', 3],
      ['3/4', 3],
    ]);
    expect(score.tempos[0]?.bpm).toBe(90);
    expect(score.notes.map((n) => [n.midi, n.onset / score.ticksPerQuarter])).toEqual([
      [67, 0],
      [69, 1],
      [71, 1.5],
      [72, 2],
      [74, 3],
    ]);
  });
  it('rounds a loosely played note to the sixteenth and keeps triplets', () => {
    const score = read(
      written(
        [2, 4],
        [
          [60, 0.02, 0.9],
          [62, 1, 1 / 3],
          [64, 1 + 1 / 3, 1 / 3],
          [65, 1 + 2 / 3, 1 / 3],
        ],
      ),
    );
    expect(score.notes.map((n) => Math.round((n.onset / score.ticksPerQuarter) * 12))).toEqual([0, 12, 16, 20]);
  });
  it('ties a note over the bar line', () =>
    expect(read(written([2, 4], [[60, 1, 2]])).notes.map((n) => n.tie)).toEqual(['start', 'stop']));
  it('refuses damage and silence', () => {
    expect(midiToDraft(new Uint8Array([77, 84, 104, 100, 0]), 'x.mid')).toMatchObject({
      ok: false,
      issue: { code: 'midi-broken' },
    });
    expect(midiToDraft(new Midi().toArray(), 'x.mid')).toMatchObject({ ok: false, issue: { code: 'midi-no-notes' } });
  });
});
