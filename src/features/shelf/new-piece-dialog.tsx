'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState, type FormEvent, type ReactNode } from 'react';
import { emptyGrid } from '@/core/bargrid';
import type { Result } from '@/core/result';
import { useStudio } from '@/store';
import { Button, Problem } from '@/ui';
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

/** A piece without a file: the bars of a printed page, or text to be typed. */
export function NewPieceDialog({
  kind,
  onClose,
}: {
  readonly kind: 'grid' | 'text' | null;
  readonly onClose: () => void;
}): ReactNode {
  const studio = useStudio();
  const where = useWhere();
  const { act } = useActs();
  const [title, setTitle] = useState('');
  const [composer, setComposer] = useState('');
  const [instrument, setInstrument] = useState('piano');
  const [bars, setBars] = useState('16');
  const [meter, setMeter] = useState('4/4');
  const [key, setKey] = useState('C');
  const [tempo, setTempo] = useState('96');
  const [pickup, setPickup] = useState('0');
  const [staves, setStaves] = useState<'1' | '2'>('2');
  const [clef, setClef] = useState<'treble' | 'bass' | 'alto' | 'tenor'>('treble');
  const [problem, setProblem] = useState<string | null>(null);
  const field = (label: string, value: string, onChange: (text: string) => void, width = 'w-full'): ReactNode => (
    <label className="block">
      <span className="block text-ink-2">{label}</span>
      <input className={`field min-h-11 ${width}`} value={value} onChange={(e) => onChange(e.target.value)} />
    </label>
  );
  const make = async (): Promise<Result<unknown> | void> => {
    const name = title.trim() || 'Untitled';
    if (kind === 'text') {
      const begun = await startTyped(studio, name);
      if (!begun.ok) return begun;
      onClose();
      where.go('read', { pieceId: begun.value.made ?? null });
      return begun;
    }
    const count = Number(bars);
    if (!(Number.isInteger(count) && count >= 1 && count <= 2000)) {
      setProblem('The number of bars is a whole number from 1 to 2000.');
      return undefined;
    }
    const perMinute = Number(tempo);
    const laid = await layOut(
      studio,
      emptyGrid({
        title: name,
        composer: composer.trim(),
        bars: count,
        staves: staves === '2' ? 2 : 1,
        clef,
        meter,
        key,
        pickup,
        perMinute: perMinute >= 1 && perMinute <= 999 ? perMinute : null,
      }),
      instrument.trim() || 'piano',
    );
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
            {field('Title', title, setTitle)}
            {kind === 'grid' ? (
              <>
                <div className="grid gap-3 sm:grid-cols-2">
                  {field('Composer', composer, setComposer)}
                  {field('Instrument', instrument, setInstrument)}
                </div>
                <div className="grid gap-3 sm:grid-cols-4">
                  {field('Bars', bars, setBars)}
                  {field('Meter', meter, setMeter)}
                  {field('Key', key, setKey)}
                  {field('Quarters a minute', tempo, setTempo)}
                </div>
                <div className="grid gap-3 sm:grid-cols-3">
                  <label className="block">
                    <span className="block text-ink-2">Pick-up</span>
                    <select
                      className="field min-h-11 w-full"
                      value={pickup}
                      onChange={(e) => setPickup(e.target.value)}
                    >
                      {PICKUPS.map(([value, name]) => (
                        <option key={value} value={value}>
                          {name}
                        </option>
                      ))}
                    </select>
                  </label>
                  <label className="block">
                    <span className="block text-ink-2">Staves</span>
                    <select
                      className="field min-h-11 w-full"
                      value={staves}
                      onChange={(e) => setStaves(e.target.value === '2' ? '2' : '1')}
                    >
                      <option value="2">two, for two hands</option>
                      <option value="1">one</option>
                    </select>
                  </label>
                  {staves === '1' ? (
                    <label className="block">
                      <span className="block text-ink-2">Clef</span>
                      <select
                        className="field min-h-11 w-full"
                        value={clef}
                        onChange={(e) => {
                          const { value } = e.target;
                          if (value === 'treble' || value === 'bass' || value === 'alto' || value === 'tenor')
                            setClef(value);
                        }}
                      >
                        <option>treble</option>
                        <option>bass</option>
                        <option>alto</option>
                        <option>tenor</option>
                      </select>
                    </label>
                  ) : null}
                </div>
              </>
            ) : null}
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
