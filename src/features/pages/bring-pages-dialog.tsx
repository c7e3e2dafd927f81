'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useEffect, useState, type FormEvent, type ReactNode } from 'react';
import { Button, Choose, counted, InstrumentOptions, Problem } from '@/ui';
import { useActs } from '@/features/acts';
import type { PageSource } from './page-sources';
import type { PageRead, ReadingProgress } from './read-pages';
import { stavesOn, useBringingPages, type SaidOfPages } from './use-bringing-pages';

const INSTRUMENTS = 'instruments-of-pages';

/** A small drawing of a page, made when it is shown. */
function SmallPage({ source }: { readonly source: PageSource }): ReactNode {
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    let made: string | null = null;
    let current = true;
    source
      .small()
      .then((drawn) => {
        made = drawn;
        if (current) setAddress(drawn);
        else if (drawn !== null) URL.revokeObjectURL(drawn);
      })
      // Without it the page still has its name.
      .catch(() => undefined);
    return () => {
      current = false;
      if (made !== null) URL.revokeObjectURL(made);
    };
  }, [source]);
  return address ? (
    <img src={address} alt="" className="h-36 w-full border border-rule bg-white object-contain" />
  ) : (
    <span className="grid h-36 w-full place-items-center border border-rule text-ink-3">…</span>
  );
}

/** Which pages are meant. */
function ChoosePages({
  sources,
  most,
  onChosen,
  onCancel,
}: {
  readonly sources: readonly PageSource[];
  readonly most: number;
  readonly onChosen: (sources: readonly PageSource[]) => void;
  readonly onCancel: () => void;
}): ReactNode {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(sources.slice(0, most).map((s) => s.key)));
  const toggle = (key: string): void =>
    setChosen((before) => {
      const next = new Set(before);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  const wanted = sources.filter((s) => chosen.has(s.key));
  return (
    <form
      className="flex min-h-0 flex-col"
      onSubmit={(event) => {
        event.preventDefault();
        onChosen(wanted);
      }}
    >
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <span className="flex-1 text-ink-2">
          {counted(wanted.length, 'page')} chosen of {sources.length}
          {wanted.length > most ? `; at most ${most} at a time` : ''}
        </span>
        <Button look="quiet" onClick={() => setChosen(new Set(sources.slice(0, most).map((s) => s.key)))}>
          All
        </Button>
        <Button look="quiet" onClick={() => setChosen(new Set())}>
          None
        </Button>
      </div>
      <ul className="grid min-h-0 flex-1 grid-cols-3 gap-3 overflow-y-auto sm:grid-cols-5" aria-label="Pages">
        {sources.map((source, i) => (
          <li key={source.key}>
            <label className={`block rounded p-2 ${chosen.has(source.key) ? 'bg-leaf-wash' : ''}`}>
              <SmallPage source={source} />
              <span className="mt-1 flex items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5 accent-leaf"
                  checked={chosen.has(source.key)}
                  onChange={() => toggle(source.key)}
                  aria-label={source.name}
                />
                <span className="figure">{i + 1}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <div className="mt-4 flex gap-2">
        <Button look="primary" type="submit" big disabled={wanted.length === 0 || wanted.length > most}>
          Read these pages
        </Button>
        <Button look="quiet" big onClick={onCancel}>
          Cancel
        </Button>
      </div>
    </form>
  );
}

function Reading({ at, onCancel }: { readonly at: ReadingProgress; readonly onCancel: () => void }): ReactNode {
  const share = (at.page - 1 + at.share) / at.of;
  return (
    <>
      <p role="status">
        {at.of === 1
          ? 'Looking for staves and bar lines…'
          : `Looking for staves and bar lines: page ${at.page} of ${at.of}`}
      </p>
      <progress className="mt-2 w-full" max={1} value={share} aria-label="Pages read" />
      <div className="mt-4">
        <Button big onClick={onCancel}>
          Stop
        </Button>
      </div>
    </>
  );
}

/** Runs of staves that may be the student's. */
const stavesToChoose = (staves: number): readonly (readonly [string, string])[] => [
  ['all', 'all of them'],
  ...Array.from({ length: staves }, (_, i) => [`${i} ${i}`, `staff ${i + 1}`] as const),
  ...Array.from(
    { length: Math.max(0, staves - 1) },
    (_, i) => [`${i} ${i + 1}`, `staves ${i + 1} and ${i + 2}`] as const,
  ),
];

/** What was found, in a sentence. */
function foundInWords(pages: readonly PageRead[]): string {
  const systems = pages.reduce((n, p) => n + p.kept.flat.systems.length, 0);
  const bars = pages.reduce((n, p) => n + p.kept.flat.systems.reduce((m, s) => m + s.bars.length, 0), 0);
  const without = pages.filter((p) => p.kept.flat.systems.length === 0);
  if (systems === 0)
    return `No staff was found on ${pages.length === 1 ? 'this page' : 'these pages'}. ${pages.length === 1 ? 'It' : 'They'} can be brought in all the same and cut into bars by hand.`;
  const found = `${counted(bars, 'bar')} in ${counted(systems, 'line')} found on ${counted(pages.length, 'page')}.`;
  return without.length === 0
    ? found
    : `${found} Nothing was found on ${without.map((p) => p.name).join(', ')}; that can be cut by hand.`;
}

function AskOfPages({
  pages,
  guess,
  onStore,
  onCancel,
}: {
  readonly pages: readonly PageRead[];
  readonly guess: SaidOfPages;
  readonly onStore: (said: SaidOfPages) => Promise<void>;
  readonly onCancel: () => void;
}): ReactNode {
  const { act } = useActs();
  const [said, setSaid] = useState(guess);
  const staves = stavesOn(pages);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    act(() => onStore(said));
  };
  return (
    <form className="grid gap-3" onSubmit={submit}>
      <p role="status">{foundInWords(pages)}</p>
      <label className="block">
        <span className="block text-ink-2">Title</span>
        <input
          className="field min-h-11 w-full"
          data-autofocus
          maxLength={300}
          value={said.title}
          placeholder="as printed at the top"
          onChange={(e) => setSaid({ ...said, title: e.target.value })}
        />
      </label>
      <label className="block">
        <span className="block text-ink-2">Played on</span>
        <input
          className="field min-h-11 w-full"
          list={INSTRUMENTS}
          maxLength={60}
          value={said.instrument}
          onChange={(e) => setSaid({ ...said, instrument: e.target.value })}
        />
      </label>
      <InstrumentOptions id={INSTRUMENTS} />
      {staves > 2 ? (
        <Choose
          place="stacked"
          label={`Of the ${staves} staves of a line the student plays from`}
          value={said.shown === null ? 'all' : said.shown.join(' ')}
          choices={stavesToChoose(staves)}
          onPick={(value) => {
            const [from = 0, to = 0] = value.split(' ').map(Number);
            setSaid({ ...said, shown: value === 'all' ? null : [from, to] });
          }}
        />
      ) : null}
      <div className="mt-2 flex gap-2">
        <Button look="primary" type="submit" big>
          Put it on the shelf
        </Button>
        <Button look="quiet" big onClick={onCancel}>
          Cancel
        </Button>
      </div>
    </form>
  );
}

/** Pictures and PDFs of printed pages on their way to the shelf: which pages, what is found on them, what it is. */
export function BringPagesDialog({
  files,
  onDone,
}: {
  readonly files: readonly File[];
  /** Null where nothing came in. */
  readonly onDone: (pieceId: string | null, says: string) => void;
}): ReactNode {
  const { state, begin, store, guess, most } = useBringingPages(files, onDone);
  const cancel = (): void => onDone(null, '');
  return (
    <Dialog open onClose={cancel} className="relative z-40">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center overflow-auto p-4">
        <DialogPanel className="panel flex max-h-[92vh] w-full max-w-2xl flex-col p-6">
          <DialogTitle className="mb-3 text-xl font-semibold">Printed pages</DialogTitle>
          {state.kind === 'opening' ? <p role="status">Opening…</p> : null}
          {state.kind === 'choosing' ? (
            <ChoosePages sources={state.sources} most={most} onChosen={begin} onCancel={cancel} />
          ) : null}
          {state.kind === 'reading' ? <Reading at={state.at} onCancel={cancel} /> : null}
          {state.kind === 'asking' ? (
            <AskOfPages
              pages={state.pages}
              guess={guess(state.pages)}
              onStore={(said) => store(state.pages, said)}
              onCancel={cancel}
            />
          ) : null}
          {state.kind === 'failed' ? (
            <>
              <Problem>{state.issue.message}</Problem>
              <div className="mt-4">
                <Button big onClick={cancel}>
                  Close
                </Button>
              </div>
            </>
          ) : null}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
