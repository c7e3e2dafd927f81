'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState, type FormEvent, type ReactNode } from 'react';
import { emptyGrid, GRID_CLEFS, type Grid } from '@/core/bargrid';
import type { Result } from '@/core/result';
import { inQuarters, parseMeter, tempoUnit, type TempoUnit } from '@/core/score';
import { useStudio } from '@/store';
import { Button, Choose, Problem, sentence } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';
import { layOut, startTyped } from './bring-in';

const PICKUPS: readonly (readonly [string, string])[] = [
  ['0', 'none'],
  ['1/2', 'an eighth'],
  ['1', 'a quarter'],
  ['3/2', 'a dotted quarter'],
  ['2', 'a half'],
  ['3', 'a dotted half'],
];

const MOST_BARS = 2000;

/** What a printed page says, as it is typed. */
interface PageSays {
  readonly composer: string;
  readonly instrument: string;
  readonly bars: string;
  readonly meter: string;
  readonly key: string;
  readonly tempo: string;
  readonly pickup: string;
  readonly staves: string;
  readonly clef: string;
}

const USUAL_PAGE: PageSays = {
  composer: '',
  instrument: 'piano',
  bars: '16',
  meter: '4/4',
  key: 'C',
  tempo: '96',
  pickup: '0',
  staves: '2',
  clef: 'treble',
};

/** The beat of a meter as it is typed; quarters while it is none. */
const unitOf = (meter: string): TempoUnit => tempoUnit(parseMeter(meter) ?? { parts: [], symbol: null });

/** The grid that a page comes to; null where its number of bars is none. */
function gridOf(title: string, page: PageSays): Grid | null {
  const bars = Number(page.bars);
  if (!(Number.isInteger(bars) && bars >= 1 && bars <= MOST_BARS)) return null;
  // Typed in the beat of the meter, printed as quarters.
  const perMinute = inQuarters(Number(page.tempo), unitOf(page.meter));
  return emptyGrid({
    title,
    composer: page.composer.trim(),
    bars,
    staves: page.staves === '2' ? 2 : 1,
    ...(page.instrument.trim() === '' ? {} : { instrument: page.instrument.trim() }),
    clef: GRID_CLEFS.find((c) => c === page.clef) ?? 'treble',
    meter: page.meter,
    key: page.key,
    pickup: page.pickup,
    perMinute: perMinute >= 1 && perMinute <= 999 ? perMinute : null,
  });
}

function Field({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
}): ReactNode {
  return (
    <label className="block">
      <span className="block text-ink-2">{label}</span>
      <input className="field min-h-11 w-full" value={value} onChange={(e) => onChange(e.target.value)} />
    </label>
  );
}

/** The clef of a single staff, with the octave it says. */
function ClefField({
  page,
  set,
}: {
  readonly page: PageSays;
  readonly set: (name: keyof PageSays) => (text: string) => void;
}): ReactNode {
  return (
    <Choose
      place="stacked"
      label="Clef"
      value={page.clef}
      choices={GRID_CLEFS.map((c) => [c, c] as const)}
      onPick={set('clef')}
    />
  );
}

function PageFields({
  page,
  set,
}: {
  readonly page: PageSays;
  readonly set: (name: keyof PageSays) => (text: string) => void;
}): ReactNode {
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-2">
        <Field label="Composer" value={page.composer} onChange={set('composer')} />
        <Field label="Instrument" value={page.instrument} onChange={set('instrument')} />
      </div>
      <div className="grid gap-3 sm:grid-cols-4">
        <Field label="Bars" value={page.bars} onChange={set('bars')} />
        <Field label="Meter" value={page.meter} onChange={set('meter')} />
        <Field label="Key" value={page.key} onChange={set('key')} />
        <Field
          label={`${sentence(unitOf(page.meter).name).slice(0, -1)}s a minute`}
          value={page.tempo}
          onChange={set('tempo')}
        />
      </div>
      <div className="grid gap-3 sm:grid-cols-3">
        <Choose place="stacked" label="Pick-up" value={page.pickup} choices={PICKUPS} onPick={set('pickup')} />
        <Choose
          place="stacked"
          label="Staves"
          value={page.staves}
          choices={[
            ['2', 'two, for two hands'],
            ['1', 'one'],
          ]}
          onPick={set('staves')}
        />
        {page.staves === '1' ? <ClefField page={page} set={set} /> : null}
      </div>
    </>
  );
}

/** Makes the piece and goes to it; `problem` says what stands against it. */
function useMaking(kind: 'grid' | 'text' | null, onClose: () => void) {
  const studio = useStudio();
  const where = useWhere();
  const [title, setTitle] = useState('');
  const [page, setPage] = useState(USUAL_PAGE);
  const [problem, setProblem] = useState<string | null>(null);
  const layOutPage = async (name: string): Promise<Result<unknown> | void> => {
    const grid = gridOf(name, page);
    if (!grid) {
      setProblem(`The number of bars is a whole number from 1 to ${MOST_BARS}.`);
      return undefined;
    }
    const laid = await layOut(studio, grid, page.instrument.trim() || 'piano');
    if (!laid.ok) {
      setProblem(laid.issue.message);
      return undefined;
    }
    setProblem(null);
    setTitle('');
    onClose();
    where.go('read', { pieceId: laid.value.made ?? null, bars: [0, 0] });
    return laid;
  };
  const beginTyping = async (name: string): Promise<Result<unknown>> => {
    const begun = await startTyped(studio, name, page.instrument.trim(), page.clef);
    if (!begun.ok) return begun;
    onClose();
    where.go('read', { pieceId: begun.value.made ?? null });
    return begun;
  };
  return {
    title,
    setTitle,
    page,
    set: (name: keyof PageSays) => (text: string) => setPage((before) => ({ ...before, [name]: text })),
    problem,
    make: (): Promise<Result<unknown> | void> => {
      const name = title.trim() || 'Untitled';
      return kind === 'text' ? beginTyping(name) : layOutPage(name);
    },
  };
}

/** A piece without a file: the bars of a printed page, or text to be typed. */
export function NewPieceDialog({
  kind,
  onClose,
}: {
  readonly kind: 'grid' | 'text' | null;
  readonly onClose: () => void;
}): ReactNode {
  const { act } = useActs();
  const { title, setTitle, page, set, problem, make } = useMaking(kind, onClose);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    act(make);
  };
  return (
    <Dialog open={kind !== null} onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center overflow-auto p-4">
        <DialogPanel className="panel w-full max-w-2xl p-6">
          <DialogTitle className="mb-1 text-xl font-semibold">
            {kind === 'text' ? 'Type a piece' : 'Lay out a printed piece'}
          </DialogTitle>
          <p className="mb-4 text-ink-2">
            {kind === 'text'
              ? 'You type ABC text; the music is drawn as you go.'
              : 'Say what the page says. Repeats, endings, changes and notes are put in bar by bar afterwards.'}
          </p>
          <form className="grid gap-3" onSubmit={submit}>
            <Field label="Title" value={title} onChange={setTitle} />
            {kind === 'text' ? (
              <div className="grid gap-3 sm:grid-cols-2">
                <Field label="Instrument" value={page.instrument} onChange={set('instrument')} />
                <ClefField page={page} set={set} />
              </div>
            ) : null}
            {kind === 'grid' ? <PageFields page={page} set={set} /> : null}
            {problem ? <Problem>{problem}</Problem> : null}
            <div className="mt-2 flex gap-2">
              <Button look="primary" type="submit" big>
                {kind === 'text' ? 'Begin typing' : 'Lay it out'}
              </Button>
              <Button look="quiet" big onClick={onClose}>
                Cancel
              </Button>
            </div>
          </form>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
