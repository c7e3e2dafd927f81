'use client';

import { useState, type ReactNode, type RefObject } from 'react';
import { Button, Choose } from '@/ui';
import { ANYTHING, SORTS, type choicesOf, type Sort, type Wanted } from './find-pieces';

const SORT_NAMES: Readonly<Record<Sort, string>> = {
  used: 'last used first',
  title: 'title',
  composer: 'composer',
  added: 'newest first',
};

/** A choice that is only there where there is something to choose. */
function Narrow({
  label,
  any,
  value,
  choices,
  onPick,
}: {
  readonly label: string;
  readonly any: string;
  readonly value: string;
  readonly choices: readonly (readonly [string, string])[];
  readonly onPick: (value: string) => void;
}): ReactNode {
  if (choices.length < 2 && value === '') return null;
  return <Choose place="alone" label={label} value={value} choices={[['', any], ...choices]} onPick={onPick} />;
}

const asChoices = (values: readonly string[]): readonly (readonly [string, string])[] =>
  values.map((v) => [v, v] as const);

interface Narrowing {
  readonly key: 'instrument' | 'grade' | 'tag' | 'studentId' | 'from';
  readonly label: string;
  /** What is said where it is not narrowed. */
  readonly any: string;
  readonly of: (there: ReturnType<typeof choicesOf>) => readonly (readonly [string, string])[];
}

const NARROWINGS: readonly Narrowing[] = [
  { key: 'instrument', label: 'Instrument', any: 'any instrument', of: (t) => asChoices(t.instruments) },
  { key: 'grade', label: 'Level', any: 'any level', of: (t) => asChoices(t.grades) },
  { key: 'tag', label: 'Tag', any: 'any tag', of: (t) => asChoices(t.tags) },
  { key: 'studentId', label: 'Who plays it', any: 'anyone’s', of: (t) => t.students.map((s) => [s.id, s.name]) },
  { key: 'from', label: 'Came as', any: 'from anywhere', of: (t) => asChoices(t.from) },
];

/** What is looked for on the shelf, and in what order. */
export function ShelfSearch({
  wanted,
  sort,
  there,
  archived,
  field,
  onWanted,
  onSort,
}: {
  readonly wanted: Wanted;
  readonly sort: Sort;
  readonly there: ReturnType<typeof choicesOf>;
  /** How many are archived. */
  readonly archived: number;
  readonly field: RefObject<HTMLInputElement | null>;
  readonly onWanted: (change: Partial<Wanted>) => void;
  readonly onSort: (sort: Sort) => void;
}): ReactNode {
  const [open, setOpen] = useState(false);
  const narrowed = Object.entries(wanted).some(([key, value]) => value !== ANYTHING[key as keyof Wanted]);
  return (
    <search className="mb-3 flex flex-wrap items-center gap-2">
      <input
        ref={field}
        type="search"
        className="field min-h-11 min-w-0 flex-1 sm:w-72 sm:flex-none"
        aria-label="Find a piece"
        placeholder="Title, composer, student, tag…"
        value={wanted.text}
        onChange={(e) => onWanted({ text: e.target.value })}
      />
      <span className="sm:hidden">
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          Narrow
        </Button>
      </span>
      <span className={`flex-wrap items-center gap-2 ${open ? 'flex' : 'hidden sm:flex'}`}>
        {NARROWINGS.map(({ key, label, any, of }) => (
          <Narrow
            key={key}
            label={label}
            any={any}
            value={wanted[key]}
            choices={of(there)}
            onPick={(value) => onWanted({ [key]: value })}
          />
        ))}
        <Choose
          label="by"
          value={sort}
          choices={SORTS.map((s) => [s, SORT_NAMES[s]] as const)}
          onPick={(picked) => onSort(picked)}
        />
      </span>
      {archived > 0 || wanted.archived ? (
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-leaf"
            checked={wanted.archived}
            onChange={(e) => onWanted({ archived: e.target.checked })}
          />
          archived ({archived})
        </label>
      ) : null}
      {narrowed ? (
        <Button look="quiet" onClick={() => onWanted(ANYTHING)}>
          Show all
        </Button>
      ) : null}
    </search>
  );
}
