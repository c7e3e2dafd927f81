'use client';

import { useState, type ReactNode } from 'react';
import { changeBar, insertBar, parseGrid, removeBar, type Grid, type GridBar } from '@/core/bargrid';
import { setDocument } from '@/core/commands';
import { inBeats, inQuarters, type Score, type TempoUnit } from '@/core/score';
import { tempoUnitOf, type Piece } from '@/core/studio';
import { useActs } from '@/features/acts';
import { KeptField } from '@/features/drafts';
import { Button, Choose, Panel, Problem, sentence } from '@/ui';
import { openBrought } from '@/workers';

const PAUSE_MS = 350;
const JUMPS = ['', 'D.C.', 'D.C. al Fine', 'D.C. al Coda', 'D.S.', 'D.S. al Fine', 'D.S. al Coda'] as const;

const CLOSING_LINES = [
  ['', 'plain line'],
  ['repeat', 'repeat sign'],
  ['light-light', 'double line'],
  ['light-heavy', 'final line'],
] as const;

/** A text field of the bar, kept when it is left. */
function Typed({
  draftKey,
  label,
  value,
  onKeep,
  placeholder = '',
  wide = false,
}: {
  readonly draftKey: string;
  readonly label: string;
  readonly value: string;
  readonly onKeep: (text: string, stored: () => void) => void;
  readonly placeholder?: string;
  readonly wide?: boolean;
}): ReactNode {
  return (
    <label className={wide ? 'block w-full' : 'block'}>
      <span className="block text-sm text-ink-2">{label}</span>
      <KeptField
        draftKey={draftKey}
        className={`field figure ${wide ? 'w-full' : 'w-24'}`}
        value={value}
        placeholder={placeholder}
        onKeep={onKeep}
        pauseMs={PAUSE_MS}
      />
    </label>
  );
}

type ChangeBar = (
  label: string,
  what: { readonly [K in keyof GridBar]?: GridBar[K] | undefined },
  stored?: () => void,
) => void;

/** Keeps a changed grid: the document is written anew from it. Says what cannot be read. */
function useKeepingGrid(piece: Piece) {
  const { run, act } = useActs();
  const [problem, setProblem] = useState<string | null>(null);
  const [notes, setNotes] = useState<readonly string[]>([]);
  const keep = (label: string, next: Grid, stored: () => void = () => undefined): void =>
    act(async () => {
      const opened = await openBrought({ kind: 'grid', grid: next, fileName: piece.fileName });
      if (!opened.ok) {
        setProblem(opened.issue.message);
        return;
      }
      setProblem(null);
      setNotes(opened.value.notes.filter((n) => n.code === 'grid').map((n) => n.message));
      run(
        setDocument,
        {
          pieceId: piece.id,
          document: {
            source: opened.value.text,
            original: JSON.stringify(next),
            title: next.title || piece.title,
            composer: next.composer,
          },
          // A grid's bars have ids of their own.
          kept: null,
          label,
        },
        { stored },
      );
    });
  return { keep, problem, notes };
}

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
function BarSigns({ bar, number, pieceId, unit, change }: OfBar & { readonly unit: TempoUnit }): ReactNode {
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <Typed
          draftKey={`grid ${pieceId} ${bar.id ?? ''} meter`}
          label="Meter from here"
          value={bar.meter ?? ''}
          placeholder="as before"
          onKeep={(meter, stored) => change(`meter of bar ${number}`, { meter }, stored)}
        />
        <Typed
          draftKey={`grid ${pieceId} ${bar.id ?? ''} key`}
          label="Key from here"
          value={bar.key ?? ''}
          placeholder="as before"
          onKeep={(key, stored) => change(`key of bar ${number}`, { key }, stored)}
        />
        <Typed
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
        <Typed
          draftKey={`grid ${pieceId} ${bar.id ?? ''} rehearsal`}
          label="Letter over it"
          value={bar.rehearsal ?? ''}
          onKeep={(rehearsal, stored) => change(`letter over bar ${number}`, { rehearsal }, stored)}
        />
        <Typed
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

/** Bars of a printed piece: what the page says about the chosen bar, and its notes or only its rhythm, typed. */
export function GridEditor({
  piece,
  score,
  bar: at,
  onChoose,
}: {
  readonly piece: Piece;
  readonly score: Score;
  readonly bar: number;
  readonly onChoose: (bar: number) => void;
}): ReactNode {
  const { keep, problem, notes } = useKeepingGrid(piece);
  const grid = parseGrid(piece.original ?? '');
  if (!grid) return <Problem>The bar grid of this piece is damaged. Undo, or lay the piece out again.</Problem>;
  const index = Math.max(0, Math.min(grid.bars.length - 1, at));
  const bar = grid.bars[index];
  if (!bar) return null;
  const change: ChangeBar = (label, what, stored) => keep(label, changeBar(grid, index, what), stored);
  const number = score.bars[index]?.name ?? String(index + 1);
  // A bar that is not begun is nothing to mend; one that is too short or too long is.
  const here = score.warnings.filter((w) => w.bar === index && w.code !== 'bars-blank').map((w) => w.message);
  const said = [...new Set([...here, ...notes])].slice(0, 3);
  const hands = grid.staves === 2 ? ['Right hand', 'Left hand'] : ['Notes'];
  return (
    <Panel
      title={`Bar ${number}`}
      aside={
        <span className="flex flex-wrap gap-1">
          <Button
            onClick={() => {
              keep(`bar put in after ${number}`, insertBar(grid, index));
              onChoose(index + 1);
            }}
          >
            Bar after it
          </Button>
          <Button
            look="quiet"
            disabled={grid.bars.length <= 1}
            onClick={() => {
              keep(`bar ${number} taken out`, removeBar(grid, index));
              onChoose(Math.max(0, index - 1));
            }}
          >
            Take it out
          </Button>
        </span>
      }
    >
      <div className="grid gap-3">
        {hands.map((hand, staff) => (
          <Typed
            key={`${bar.id ?? ''} ${hand}`}
            wide
            label={`${hand} of bar ${number}, as ABC (C D E = middle octave, c = above, C2 longer, n = rhythm only)`}
            value={bar.typed?.[staff] ?? ''}
            placeholder={staff === 0 ? 'C D E2   or   n n n2' : 'C,2 G,2'}
            draftKey={`grid ${piece.id} ${bar.id ?? ''} ${staff}`}
            onKeep={(text, stored) => {
              const typed = Array.from({ length: hands.length }, (_, s) =>
                s === staff ? text : (bar.typed?.[s] ?? ''),
              );
              change(
                `notes of bar ${number}`,
                { typed: typed.every((t) => t.trim() === '') ? undefined : typed },
                stored,
              );
            }}
          />
        ))}
        {problem ? <Problem>{problem}</Problem> : null}
        {said.length > 0 ? <Problem>{said.join('; ')}</Problem> : null}
        <BarSigns key={bar.id} unit={tempoUnitOf(piece)} bar={bar} number={number} pieceId={piece.id} change={change} />
      </div>
    </Panel>
  );
}
