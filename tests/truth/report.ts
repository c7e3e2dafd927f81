/** `npx tsx tests/truth/report.ts [training|held-out]`: what is found of what is known, piece by piece. */
import { analysisOf } from '@/core/analysis';
import { f1, formFound } from './measure-form';
import { cadencesFound, chordShare, keyShare, pedalsFound } from './measure-harmony';
import { readTruths } from './read-truth';

const out = (line: string): void => void process.stdout.write(`${line}\n`);
const percent = (right: number, all: number): string => `${all === 0 ? '-' : ((100 * right) / all).toFixed(1)} %`;

async function main(): Promise<void> {
  const detail = process.argv.includes('--detail');
  for (const set of ['training', 'held-out'] as const) {
    if (process.argv.includes('training') && set !== 'training') continue;
    const sums = { right: 0, all: 0, keys: 0, bars: 0, hits: 0, known: 0, wrong: 0 };
    const sections = { hits: 0, known: 0, proposed: 0 };
    const phrases = { hits: 0, known: 0, proposed: 0 };
    let letters = 0;
    let forms = 0;
    for (const truth of await readTruths(set)) {
      const harmony = analysisOf(truth.score).harmony;
      const chords = chordShare(truth, harmony);
      const keys = keyShare(truth, harmony);
      const cadences = cadencesFound(truth, harmony);
      const pedals = pedalsFound(truth, harmony);
      const form = formFound(truth);
      sums.right += chords.right;
      sums.all += chords.all;
      sums.keys += keys.right;
      sums.bars += keys.all;
      sums.hits += cadences?.hits ?? 0;
      sums.known += cadences?.known ?? 0;
      sums.wrong += cadences?.wrong ?? 0;
      for (const [sum, one] of [
        [sections, form.sections],
        [phrases, form.phrases],
      ] as const) {
        sum.hits += one?.hits ?? 0;
        sum.known += one?.known ?? 0;
        sum.proposed += one?.proposed ?? 0;
      }
      if (form.letters !== null) forms += 1;
      if (form.letters) letters += 1;
      out(
        `${truth.name.padEnd(24)} chords ${chords.right}/${chords.all} keys ${keys.right}/${keys.all} cadences ${cadences?.hits ?? '-'}/${cadences?.known ?? '-'} wrong ${cadences?.wrong ?? '-'} sections ${form.sections ? f1(form.sections).toFixed(2) : '-'} phrases ${form.phrases ? f1(form.phrases).toFixed(2) : '-'} form ${form.letters ?? '-'}`,
      );
      if (detail)
        for (const line of [
          chords.missed.join('; '),
          keys.missed.join('; '),
          cadences?.notes.join('; ') ?? '',
          pedals?.notes.join('; ') ?? '',
          form.letters === false || (form.phrases && f1(form.phrases) < 1) ? form.said : '',
        ])
          if (line !== '') out(`    ${line}`);
    }
    out(
      `${set}: chords ${percent(sums.right, sums.all)} of ${sums.all}, keys ${percent(sums.keys, sums.bars)} of ${sums.bars}, cadences ${sums.hits} of ${sums.known} and ${sums.wrong} wrong, sections F1 ${f1(sections).toFixed(3)}, phrases F1 ${f1(phrases).toFixed(3)}, forms ${letters} of ${forms}`,
    );
  }
}
await main();
