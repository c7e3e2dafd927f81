import type { ReactNode } from 'react';
import type { GridBar } from '@/core/bargrid';
import { inBeats, inQuarters, type TempoUnit } from '@/core/score';
import { Choose, sentence } from '@/ui';
import { BarField } from './bar-field';

const JUMPS = ['', 'D.C.', 'D.C. al Fine', 'D.C. al Coda', 'D.S.', 'D.S. al Fine', 'D.S. al Coda'] as const;

const CLOSING_LINES = [
  ['', 'plain line'],
  ['repeat', 'repeat sign'],
  ['light-light', 'double line'],
  ['light-heavy', 'final line'],
] as const;

export type ChangeBar = (
  label: string,
  what: { readonly [K in keyof GridBar]?: GridBar[K] | undefined },
  stored?: () => void,
) => void;

interface OfBar {
  readonly bar: GridBar;
  readonly number: string;
  readonly pieceId: string;
  readonly change: ChangeBar;
}

const TOGGLES = [
  ['repeat begins', 'repeatStart'],
  ['new line in the print', 'lineBreak'],
  ['segno', 'segno'],
  ['to coda', 'toCoda'],
  ['coda', 'coda'],
  ['fine', 'fine'],
] as const;

/** What ends a bar: its closing line, and where one goes from there. */
function BarEnd({ bar, number, change }: Omit<OfBar, 'pieceId'>): ReactNode {
  return (
    <>
      <Choose
        place="stacked"
        label="Closing line"
        value={bar.repeatEnd !== undefined ? 'repeat' : (bar.doubleBar ?? '')}
        choices={CLOSING_LINES}
        onPick={(value) =>
          change(`end of bar ${number}`, {
            repeatEnd: value === 'repeat' ? 2 : undefined,
            doubleBar: value === 'light-light' || value === 'light-heavy' ? value : undefined,
          })
        }
      />
      <Choose
        place="stacked"
        label="Jump at its end"
        value={bar.jump ?? ''}
        choices={JUMPS.map((jump) => [jump, jump === '' ? 'none' : jump] as const)}
        onPick={(jump) => change(`jump at bar ${number}`, { jump })}
      />
    </>
  );
}

/** The numbers of an ending as typed: `1` or `1,2`. */
const endingOf = (text: string): number[] =>
  text
    .split(/[,. ]+/)
    .map(Number)
    .filter((n) => Number.isInteger(n) && n >= 1 && n <= 20);

/** Meter, key, tempo, letter and ending of a bar, and the signs on it. */
export function BarSigns({ bar, number, pieceId, unit, change }: OfBar & { readonly unit: TempoUnit }): ReactNode {
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <BarField
          draftKey={`grid ${pieceId} ${bar.id ?? ''} meter`}
          label="Meter from here"
          value={bar.meter ?? ''}
          placeholder="as before"
          onKeep={(meter, stored) => change(`meter of bar ${number}`, { meter }, stored)}
        />
        <BarField
          draftKey={`grid ${pieceId} ${bar.id ?? ''} key`}
          label="Key from here"
          value={bar.key ?? ''}
          placeholder="as before"
          onKeep={(key, stored) => change(`key of bar ${number}`, { key }, stored)}
        />
        <BarField
          draftKey={`grid ${pieceId} ${bar.id ?? ''} tempo`}
          label={`${sentence(unit.name).slice(0, -1)}s a minute from here`}
          value={bar.tempo?.perMinute ? String(inBeats(bar.tempo.perMinute, unit)) : ''}
          placeholder="as before"
          onKeep={(text, stored) => {
            const perMinute = inQuarters(Number(text), unit);
            change(
              `tempo of bar ${number}`,
              {
                tempo:
                  perMinute >= 1 && perMinute <= 999
                    ? { word: bar.tempo?.word ?? '', unit: '1/4', perMinute }
                    : undefined,
              },
              stored,
            );
          }}
        />
        <BarField
          draftKey={`grid ${pieceId} ${bar.id ?? ''} rehearsal`}
          label="Letter over it"
          value={bar.rehearsal ?? ''}
          onKeep={(rehearsal, stored) => change(`letter over bar ${number}`, { rehearsal }, stored)}
        />
        <BarField
          draftKey={`grid ${pieceId} ${bar.id ?? ''} ending`}
          label="Ending begins"
          value={bar.ending?.join(',') ?? ''}
          placeholder="1 or 1,2"
          onKeep={(text, stored) => {
            const ending = endingOf(text);
            change(`ending at bar ${number}`, { ending: ending.length > 0 ? ending : undefined }, stored);
          }}
        />
        <BarEnd bar={bar} number={number} change={change} />
      </div>
      <div className="flex flex-wrap gap-x-5">
        {TOGGLES.map(([label, name]) => (
          <label key={name} className="flex min-h-9 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-leaf"
              checked={bar[name] ?? false}
              onChange={(e) => change(`bar ${number}: ${label}`, { [name]: e.target.checked })}
            />
            {label}
          </label>
        ))}
      </div>
    </>
  );
}
