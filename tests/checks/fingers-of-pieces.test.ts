/** Fingers of whole keyboard pieces against what every edition does [common practice]. */
import { expect, it } from 'vitest';
import { fingerScore } from '@/core/fingering';
import type { Note } from '@/core/score';
import { openAbc } from '@/core/studio';
import { readTruths } from '../truth/read-truth';

it('no finger goes from one key to another without a rest, but where nothing else reaches', async () => {
  const slides: string[] = [];
  let moves = 0;
  for (const { name, score } of [...(await readTruths('training')), ...(await readTruths('held-out'))]) {
    if (score.parts[0]?.staves !== 2) continue;
    const byId = new Map(score.notes.map((n) => [n.id, n]));
    const { notes } = fingerScore(score, { instrument: 'piano' });
    for (const hand of ['right', 'left'] as const) {
      const columns = new Map<number, { readonly note: Note; readonly finger: string }[]>();
      for (const { noteId, finger } of notes.filter((n) => n.hand === hand)) {
        const note = byId.get(noteId);
        if (note) columns.set(note.onset, [...(columns.get(note.onset) ?? []), { note, finger }]);
      }
      const inTime = [...columns].sort(([a], [b]) => a - b).map(([, column]) => column);
      inTime.forEach(([here, ...more], i) => {
        const [before, ...chord] = inTime[i - 1] ?? [];
        if (!here || !before || more.length + chord.length > 0) return;
        if (before.note.onset + before.note.duration < here.note.onset) return;
        moves += 1;
        if (before.finger === here.finger && before.note.midi !== here.note.midi)
          slides.push(`${name}, bar ${here.note.bar}, ${hand}: ${before.note.midi} to ${here.note.midi}`);
      });
    }
  }
  expect(moves).toBeGreaterThan(1500);
  expect(slides.length, slides.join('; ')).toBeLessThanOrEqual(8);
});

it.each(['E,,E,^G,', 'A,,E,A,', 'C,G,C', 'G,,G,B,'])('the left hand takes %s with 5 2 1', (figure) => {
  const opened = openAbc(`X:1\nM:3/8\nL:1/16\nQ:1/8=120\nK:Am\n${figure} z3 |]`, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  const { notes } = fingerScore(opened.value.read.score, { instrument: 'piano', hand: 'left' });
  expect(notes.map((n) => n.finger).join(' ')).toBe('5 2 1');
});
