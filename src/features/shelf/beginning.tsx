import { Check } from 'lucide-react';
import { useEffect, useMemo, useState, type FormEvent, type ReactNode } from 'react';
import { addStudent } from '@/core/commands';
import { instrumentName } from '@/core/instruments';
import type { Piece } from '@/core/studio';
import type { ShippedPiece } from '@/demo';
import { useHasSections, usePieces, useStudents, useStudio } from '@/store';
import { Button, Choose, Panel, useKeptChoice } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';
import { startShipped } from './bring-in';

/** One step, done or to be done. */
function Step({
  number,
  name,
  done,
  children,
}: {
  readonly number: number;
  readonly name: string;
  readonly done: boolean;
  readonly children: ReactNode;
}): ReactNode {
  return (
    <li className="flex flex-wrap items-center gap-3 border-t border-rule py-2 first:border-0">
      <span
        className={`figure grid size-9 shrink-0 place-items-center rounded-full border-2 font-semibold ${done ? 'border-leaf bg-leaf text-white' : 'border-rule-strong'}`}
      >
        {done ? <Check size={20} aria-label="done" /> : number}
      </span>
      <span className={`min-w-40 flex-1 text-lg ${done ? 'text-ink-2' : 'font-semibold'}`}>{name}</span>
      {done ? null : <span className="flex flex-wrap items-center gap-2">{children}</span>}
    </li>
  );
}

/** The pieces that come with the application, asked for when they are shown. */
function useShipped(): readonly ShippedPiece[] {
  const [shipped, setShipped] = useState<readonly ShippedPiece[]>([]);
  useEffect(() => {
    let current = true;
    import('@/demo')
      .then(({ SHIPPED_PIECES }) => current && setShipped(SHIPPED_PIECES))
      // Without them the other ways to a piece are left.
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, []);
  return shipped;
}

function TakeShipped(): ReactNode {
  const studio = useStudio();
  const where = useWhere();
  const { act } = useActs();
  const shipped = useShipped();
  if (shipped.length === 0) return null;
  return (
    <Choose
      place="alone"
      label="Pieces that come with it"
      shown="take one that comes with it"
      value=""
      choices={shipped.map((piece) => [piece.id, `${piece.title} (${instrumentName(piece)})`] as const)}
      onPick={(id) => {
        const piece = shipped.find((p) => p.id === id);
        if (piece)
          act(async () => {
            const begun = await startShipped(studio, piece);
            if (begun.ok) where.change({ pieceId: begun.value.made ?? null });
            return begun;
          });
      }}
    />
  );
}

function FirstStudent(): ReactNode {
  const { run } = useActs();
  const [name, setName] = useState('');
  const [instrument, setInstrument] = useState('piano');
  const add = (event: FormEvent): void => {
    event.preventDefault();
    if (name.trim() !== '') run(addStudent, { name, instrument }, { stored: () => setName('') });
  };
  return (
    <form className="flex flex-wrap items-center gap-2" onSubmit={add}>
      <input
        className="field w-40"
        aria-label="First name or initials"
        placeholder="First name"
        maxLength={60}
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      <input
        className="field w-32"
        aria-label="Instrument"
        maxLength={60}
        value={instrument}
        onChange={(e) => setInstrument(e.target.value)}
      />
      <Button type="submit">Add</Button>
    </form>
  );
}

/** Whether a piece was prepared: it has sections. */
function usePrepared(pieces: readonly Piece[]): boolean | undefined {
  return useHasSections(useMemo(() => pieces.map((p) => p.id), [pieces]));
}

const NO_PIECES: readonly Piece[] = [];

/** Whether the first steps are shown as long as they are not done. */
export const useBeginning = () => useKeptChoice('beginning', ['shown', 'put-away']);

/** The first three steps in an own studio, until they are done or put away. */
export function Beginning({ onBring }: { readonly onBring: () => void }): ReactNode {
  const studio = useStudio();
  const where = useWhere();
  const { act } = useActs();
  const pieces = usePieces() ?? NO_PIECES;
  const students = useStudents() ?? [];
  const prepared = usePrepared(pieces);
  const [shown, setShown] = useBeginning();
  const [first] = pieces;
  const isDone = pieces.length > 0 && students.length > 0 && prepared === true;
  if (studio.name !== 'own' || shown === 'put-away' || prepared === undefined || isDone) return null;
  return (
    <Panel
      title="Three steps to begin"
      className="mb-3"
      aside={
        <span className="flex gap-1">
          <Button look="quiet" onClick={() => act(() => studio.openStudio('demo'))}>
            Look at the demo studio
          </Button>
          <Button look="quiet" onClick={() => setShown('put-away')}>
            Put this away
          </Button>
        </span>
      }
    >
      <ol>
        <Step number={1} name="A piece: a file, a page, or one of ours" done={pieces.length > 0}>
          <Button onClick={onBring}>Bring in a piece</Button>
          <TakeShipped />
        </Step>
        <Step number={2} name="A student: a first name is enough" done={students.length > 0}>
          <FirstStudent />
        </Step>
        <Step number={3} name="Prepare it: sections, marks and steps at a glance" done={prepared}>
          <Button disabled={!first} onClick={() => first && where.go('prepare', { pieceId: first.id })}>
            {first ? `Prepare ${first.title}` : 'Prepare it'}
          </Button>
        </Step>
      </ol>
    </Panel>
  );
}
