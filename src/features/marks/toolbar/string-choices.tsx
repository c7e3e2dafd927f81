import type { ReactNode } from 'react';
import { Choose } from '@/ui';
import { stringNames } from '@/marked';
import type { MarksModel } from '../use-marks-model';

const CAPO_FRETS = [1, 2, 3, 4, 5, 6, 7] as const;

/** What is asked of the fingers of a string instrument: open strings, one string, a capo. */
export function StringChoices({ model }: { readonly model: MarksModel }): ReactNode {
  const { solver, instrument, strings } = model;
  if (solver === 'fretted')
    return (
      <Choose
        label="Capo"
        value={model.capo}
        choices={[
          ['', strings.capo ? `fret ${strings.capo}, printed` : 'none'],
          ...CAPO_FRETS.map((f) => [String(f), `fret ${f}`] as const),
        ]}
        onPick={model.setCapo}
      />
    );
  if (solver !== 'bowed') return null;
  return (
    <>
      <Choose
        label="Where both serve"
        value={model.openOrFourth}
        choices={[
          ['open', 'open string'],
          ['fourth', 'fourth finger'],
        ]}
        onPick={(v) => model.setOpenOrFourth(v === 'fourth' ? 'fourth' : 'open')}
      />
      <Choose
        label="String"
        value={model.onString}
        choices={[
          ['', 'best'],
          ...stringNames(instrument, strings).map((name, i) => [String(i + 1), `all on ${name}`] as const),
        ]}
        onPick={model.setOnString}
      />
    </>
  );
}
