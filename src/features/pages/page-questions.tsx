import type { ReactNode } from 'react';
import { changeBar, GRID_CLEFS, type Grid, type GridBar } from '@/core/bargrid';
import { inBeats, inQuarters, parseMeter, tempoUnit } from '@/core/score';
import type { Paper } from '@/core/paper';
import { KeptField } from '@/features/drafts';
import { Choose, sentence } from '@/ui';
import { sayingOf, type EditPaper } from './use-paper';

const PICKUPS: readonly (readonly [string, string])[] = [
  ['0', 'none'],
  ['1/2', 'an eighth'],
  ['1', 'a quarter'],
  ['3/2', 'a dotted quarter'],
  ['2', 'a half'],
  ['5/2', 'five eighths'],
  ['3', 'a dotted half'],
];

const meterUnit = (text: string | undefined) => tempoUnit(parseMeter(text ?? '') ?? { parts: [], symbol: null });

/** What of the first bar holds for the piece, typed. */
function Typed({
  name,
  label,
  value,
  accepts,
  wants,
  wide = false,
  onKeep,
}: {
  readonly name: string;
  readonly label: string;
  readonly value: string;
  readonly accepts: (text: string) => boolean;
  readonly wants: string;
  readonly wide?: boolean;
  readonly onKeep: (text: string, stored: () => void) => void;
}): ReactNode {
  return (
    <label className="flex items-center gap-1.5 text-ink-2">
      <span>{label}</span>
      <KeptField
        draftKey={name}
        className={`field figure min-h-10 ${wide ? 'w-24' : 'w-16'}`}
        value={value}
        accepts={accepts}
        wants={wants}
        onKeep={onKeep}
      />
    </label>
  );
}

/**
 * What the page says and nobody has read: meter, key, tempo, whether it begins with a pick-up, in one line with
 * guesses. Changes further on are said at their bar.
 */
export function PageQuestions({
  pieceId,
  paper,
  edit,
}: {
  readonly pieceId: string;
  readonly paper: Paper;
  readonly edit: EditPaper;
}): ReactNode {
  const { grid } = paper;
  const [first] = grid.bars;
  const unit = meterUnit(first?.meter);
  const setFirst =
    (label: string) =>
    (change: { readonly [K in keyof GridBar]?: GridBar[K] | undefined }, stored?: () => void): void =>
      edit(
        label,
        sayingOf((before) => changeBar(before, 0, change)),
        stored ? { stored, refused: stored } : {},
      );
  const set = (label: string, change: (before: Grid) => Grid): void => edit(label, sayingOf(change));
  const perMinute = first?.tempo?.perMinute ?? null;
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2" role="group" aria-label="What the page says">
      <Typed
        name={`pages ${pieceId} meter`}
        label="Meter"
        value={first?.meter ?? ''}
        accepts={(text) => parseMeter(text) !== null}
        wants="a meter such as 3/4 or 6/8"
        onKeep={(meter, stored) => setFirst('meter')({ meter }, stored)}
      />
      <Typed
        name={`pages ${pieceId} key`}
        label="Key"
        value={first?.key ?? ''}
        accepts={(text) => /^[A-Ga-g][b#]?\s*(m|min|maj|minor|major)?$/.test(text)}
        wants="a key such as G, Em or Bb"
        onKeep={(key, stored) => setFirst('key')({ key: key.charAt(0).toUpperCase() + key.slice(1) }, stored)}
      />
      <Typed
        name={`pages ${pieceId} tempo`}
        label={`${sentence(unit.name).slice(0, -1)}s a minute`}
        value={perMinute === null ? '' : String(inBeats(perMinute, unit))}
        accepts={(text) => text === '' || (Number(text) >= 10 && Number(text) <= 400)}
        wants="a number from 10 to 400"
        onKeep={(text, stored) =>
          setFirst('tempo')(
            {
              tempo:
                text === ''
                  ? undefined
                  : { word: first?.tempo?.word ?? '', unit: '1/4', perMinute: inQuarters(Number(text), unit) },
            },
            stored,
          )
        }
      />
      <Choose
        label="Pick-up"
        value={grid.pickup}
        choices={PICKUPS.some(([v]) => v === grid.pickup) ? PICKUPS : [[grid.pickup, grid.pickup], ...PICKUPS]}
        onPick={(pickup) => set('pick-up', (before) => ({ ...before, pickup }))}
      />
      {grid.staves === 1 ? (
        <Choose
          label="Clef"
          value={grid.clef}
          choices={GRID_CLEFS.map((c) => [c, c] as const)}
          onPick={(clef) => set('clef', (before) => ({ ...before, clef }))}
        />
      ) : null}
    </div>
  );
}
