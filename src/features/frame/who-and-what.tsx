import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import type { ReactNode } from 'react';
import { usePieces, useStudents } from '@/store';
import { useWhere } from '@/features/where';
import { Chooser } from './chooser';
import { PartChooser } from './part-chooser';

function useChoices() {
  const where = useWhere();
  const pieces = usePieces();
  const students = useStudents();
  return {
    where,
    students: [
      { id: null, label: 'everyone' },
      ...(students?.map((s) => ({ id: s.id, label: s.name })) ?? stillRead(where.studentId)),
    ],
    pieces: [
      { id: null, label: 'no piece' },
      ...(pieces?.map((p) => ({ id: p.id, label: p.title || p.fileName })) ?? stillRead(where.pieceId)),
    ],
  };
}

/** Somebody or something is named in the address, whose name is not there yet. */
const stillRead = (id: string | null): readonly { readonly id: string; readonly label: string }[] =>
  id === null ? [] : [{ id, label: '…' }];

const labelOf = (choices: readonly { readonly id: string | null; readonly label: string }[], id: string | null) =>
  (choices.find((c) => c.id === id) ?? choices[0])?.label ?? '';

/** Whom and what the whole screen is about, as one sentence. */
export function WhoAndWhat(): ReactNode {
  const { where, students, pieces } = useChoices();
  return (
    <div className="hidden min-w-0 items-center gap-2 sm:flex lg:gap-4">
      <span className="hidden text-lg text-ink-2 lg:inline">with</span>
      {/* A title may be cut; whom it is about can always be read. */}
      <div className="shrink-0">
        <Chooser
          label="Student"
          value={where.studentId}
          choices={students}
          onChoose={(id) => where.change({ studentId: id })}
        />
      </div>
      <span className="hidden text-lg text-ink-2 lg:inline">on</span>
      <Chooser label="Piece" value={where.pieceId} choices={pieces} onChoose={(id) => where.change({ pieceId: id })} />
      {/* At home nobody changes the part that was given. */}
      {where.stage === 'home' ? null : <PartChooser />}
    </div>
  );
}

/** The same behind one button, on a telephone. */
export function WhoAndWhatButton(): ReactNode {
  const { where, students, pieces } = useChoices();
  return (
    <Popover className="relative min-w-0 flex-1 sm:hidden">
      <PopoverButton
        aria-label={`With ${labelOf(students, where.studentId)} on ${labelOf(pieces, where.pieceId)}`}
        className="flex min-h-11 w-full items-center justify-between gap-1 rounded border border-rule-strong px-3 font-semibold"
      >
        <span className="truncate">
          {labelOf(students, where.studentId)} · {labelOf(pieces, where.pieceId)}
        </span>
        <ChevronDown size={18} className="shrink-0" aria-hidden="true" />
      </PopoverButton>
      <PopoverPanel className="absolute left-0 top-full z-30 mt-1 flex w-80 max-w-[90vw] flex-col gap-2 rounded border border-rule-strong bg-sheet p-3 focus:outline-none">
        <Chooser
          label="Student"
          value={where.studentId}
          choices={students}
          onChoose={(id) => where.change({ studentId: id })}
        />
        <Chooser
          label="Piece"
          value={where.pieceId}
          choices={pieces}
          onChoose={(id) => where.change({ pieceId: id })}
        />
        <PartChooser />
      </PopoverPanel>
    </Popover>
  );
}
