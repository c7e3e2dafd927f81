/** `npx tsx tests/truth/report.ts`: what is found of what is known, piece by piece, with everything that is missed. */
import { f1 } from './measure-form';
import { measured, summaryOf } from './summary';

const out = (line: string): void => void process.stdout.write(`${line}\n`);

for (const set of ['training', 'held-out'] as const) {
  const list = await measured(set);
  for (const { truth, chords, keys, cadences, form, corners } of list) {
    out(`${truth.name}: chords ${chords.right}/${chords.all}, keys ${keys.right}/${keys.all}`);
    const wrongForm = form.letters === false || (form.phrases !== null && f1(form.phrases) < 1);
    const missed = [
      chords.missed.join('; '),
      keys.missed.join('; '),
      cadences?.notes.join('; ') ?? '',
      ...(corners?.notes ?? []),
    ];
    for (const line of [...missed, wrongForm ? form.said : '']) if (line !== '') out(`    ${line}`);
  }
  out(`${set}: ${summaryOf(list)}`);
}
