/**
 * Typed tunes against a second reader of ABC, abcjs: the notes of every voice in their order, with their length, their
 * letter and their octave, and the rests between them. Grace notes and words are left to the tests of our own reader.
 */
import { readFileSync, readdirSync } from 'node:fs';
import { parseOnly } from 'abcjs';
import { describe, expect, it } from 'vitest';
import { openPiece } from '@/core/studio';

const FILES = readdirSync('tests/pieces').filter((name) => name.endsWith('.abc'));

interface TheirNote {
  readonly el_type?: string;
  readonly duration?: number;
  readonly pitches?: readonly { readonly pitch: number }[];
  readonly rest?: { readonly type: string };
}

/** Letter steps above middle C. */
const STEPS = { C: 0, D: 1, E: 2, F: 3, G: 4, A: 5, B: 6 } as const;

function theirVoices(abc: string): readonly (readonly string[])[] {
  const [tune] = parseOnly(abc);
  const voices = new Map<string, string[]>();
  for (const line of tune?.lines ?? [])
    (line.staff ?? []).forEach((staff, s) =>
      (staff.voices ?? []).forEach((voice, v) => {
        const key = `${s} ${v}`;
        const list = voices.get(key) ?? [];
        voices.set(key, list);
        for (const element of voice as readonly TheirNote[]) {
          if (element.el_type !== 'note' || element.duration === undefined) continue;
          const quarters = (element.duration * 4).toFixed(3);
          if (element.pitches)
            list.push(
              `${quarters} ${element.pitches
                .map((p) => p.pitch)
                .sort((a, b) => a - b)
                .join('+')}`,
            );
          else if (element.rest && !element.rest.type.startsWith('spacer')) list.push(`${quarters} rest`);
        }
      }),
    );
  return [...voices.values()];
}

describe.each(FILES)('%s', (name) => {
  it('has the notes that abcjs finds', async () => {
    const bytes = readFileSync(`tests/pieces/${name}`);
    const opened = await openPiece(bytes, name);
    if (!opened.ok) throw new Error(opened.issue.message);
    const { score } = opened.value.read;
    const voices = new Map<string, { readonly onset: number; readonly text: string }[]>();
    const chords = new Map<string, { readonly onset: number; readonly quarters: number; readonly steps: number[] }>();
    for (const n of score.notes) {
      if (n.grace !== null || n.pitch === null) continue;
      const place = `${n.part} ${n.staff} ${n.voice}`;
      const step = STEPS[n.pitch.step] + (n.pitch.octave - 4) * 7;
      // It gives the written length of a note in a group of three, five, …
      const { actual, normal } = n.timeModification ?? { actual: 1, normal: 1 };
      const quarters = (n.duration * actual) / normal / score.ticksPerQuarter;
      const chord = chords.get(`${place} ${n.onset}`);
      if (chord) chord.steps.push(step);
      else chords.set(`${place} ${n.onset}`, { onset: n.onset, quarters, steps: [step] });
    }
    const put = (place: string, onset: number, text: string): void => {
      const there = voices.get(place);
      if (there) there.push({ onset, text });
      else voices.set(place, [{ onset, text }]);
    };
    for (const [key, { onset, quarters, steps }] of chords)
      put(key.slice(0, key.lastIndexOf(' ')), onset, `${quarters.toFixed(3)} ${steps.sort((a, b) => a - b).join('+')}`);
    for (const r of score.rests)
      if (r.aside === null)
        put(`${r.part} ${r.staff} ${r.voice}`, r.onset, `${(r.duration / score.ticksPerQuarter).toFixed(3)} rest`);
    const ours = [...voices].map(([, list]) => list.sort((a, b) => a.onset - b.onset).map((e) => e.text));
    const sorted = (list: readonly (readonly string[])[]) => list.map((v) => v.join(' | ')).sort();
    expect(sorted(ours)).toEqual(sorted(theirVoices(bytes.toString('utf8'))));
  });
});
