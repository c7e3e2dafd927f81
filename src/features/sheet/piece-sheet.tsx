'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { z } from 'zod';
import { dayOf } from '@/core/studio';
import { isSection } from '@/core/way';
import {
  changedSince,
  chordBlocks,
  pieceBlocks,
  SheetPages,
  worksheetBlocks,
  type DrawnPiece,
  type PrintSize,
  type SheetBlock,
} from '@/sheet';
import { useStudio } from '@/store';
import { Choose, counted, dayWords, EmptyState, Problem } from '@/ui';
import { useDraft } from '@/features/drafts';
import { useKey } from '@/features/keys';
import { useWhere } from '@/features/where';
import { PrintButton, PrintDesk } from './print-desk';
import { printNow } from './print-now';
import { SheetLook } from './sheet-choices';
import { SheetKindChoice, useSheetKind, type SheetKind } from './sheet-kind';
import { useDocumentName } from './use-document-name';
import { useDrawnPiece } from './use-drawn-piece';
import type { SheetChoicesAccess } from './use-sheet-choices';

const printedSchema = z.object({ at: z.string() });
const parsePrinted = (value: unknown): { readonly at: string } | null => {
  const parsed = printedSchema.safeParse(value);
  return parsed.success ? parsed.data : null;
};

/** Which bars, in words: a section by its name, or nothing for all of it. */
function partOf({ places, bars: [from, to] }: DrawnPiece): string {
  const place = places.find((p) => isSection(p.section) && p.from === from && p.to === to);
  return place ? `${place.section.letter} ${place.section.name}`.trim() : '';
}

interface Printing {
  readonly kind: Exclude<SheetKind, 'week'>;
  readonly size: PrintSize;
  readonly drawn: DrawnPiece;
  readonly answers: DrawnPiece | null;
  /** When it was printed last; null where it never was. */
  readonly printedAt: string | null;
  readonly printedOn: string;
}

/** What stands on the pages. */
function blocksOf({ kind, size, drawn, answers, printedAt, printedOn }: Printing): readonly SheetBlock[] {
  const part = partOf(drawn);
  switch (kind) {
    case 'worksheet':
      return worksheetBlocks(drawn, size, part);
    case 'chords':
      return chordBlocks(drawn, part);
    case 'changed':
      return pieceBlocks(drawn, {
        size,
        families: false,
        only: printedAt === null ? null : changedSince(drawn.marks, printedAt),
        under: printedAt === null ? part : `changed since ${printedOn}`,
      });
    case 'piece':
    case 'families': {
      const look = { size, families: kind === 'families', only: null };
      const pages = pieceBlocks(drawn, { ...look, under: part });
      const keys = answers ? pieceBlocks(answers, { ...look, under: 'answers' }) : [];
      return [
        ...pages,
        ...keys.map((b, i) => ({ ...b, key: `answers ${b.key}`, ...(i === 0 ? { newPage: true as const } : {}) })),
      ];
    }
  }
}

/** Which section is printed, or all of it. */
function SectionChoice({ drawn }: { readonly drawn: DrawnPiece }): ReactNode {
  const where = useWhere();
  const sections = drawn.places.filter((p) => isSection(p.section));
  if (sections.length === 0) return null;
  return (
    <Choose
      place="stacked"
      label="Which bars"
      value={sections.some((p) => p.section.id === where.sectionId) ? (where.sectionId ?? '') : ''}
      choices={[
        ['', 'all of it'],
        ...sections.map((p) => [p.section.id, `${p.section.letter} ${p.section.name}`.trim()] as const),
      ]}
      onPick={(id) => where.change({ sectionId: id === '' ? null : id })}
    />
  );
}

function Pages({
  kind,
  choices,
  drawn,
  answers,
}: Omit<Printing, 'printedAt' | 'printedOn' | 'size'> & {
  readonly choices: SheetChoicesAccess;
}): ReactNode {
  const studio = useStudio();
  const { piece, student } = drawn;
  const printed = useDraft(`printed ${student?.id ?? 'everyone'} ${piece.id}`, parsePrinted);
  const [pages, setPages] = useState(1);
  const printedAt = printed.value?.at ?? null;
  const printedOn = printedAt === null ? '' : dayWords(dayOf(printedAt, studio.zone));
  const { paper, size } = choices;
  const blocks = useMemo(
    () => blocksOf({ kind, size, drawn, answers, printedAt, printedOn }),
    [kind, size, drawn, answers, printedAt, printedOn],
  );
  useDocumentName([student?.name ?? '', piece.title].filter((s) => s !== '').join(', '));
  const print = (): void => {
    printNow();
    // What was printed is known from now on; what is marked later is new.
    if (kind === 'piece' || kind === 'changed') printed.set({ at: studio.now() });
  };
  useKey('sheet.print', print);
  return (
    <PrintDesk
      title={`${piece.title} on paper`}
      choices={
        <>
          <SheetKindChoice />
          <SectionChoice drawn={drawn} />
          <SheetLook choices={choices} of="piece" />
          <PrintButton onPrint={print}>Print</PrintButton>
          <p className="text-base text-ink-2" role="status">
            {counted(pages, 'page')}.{' '}
            {kind === 'changed' && printedAt === null
              ? 'It was not printed from this browser yet: this is all of it.'
              : printedAt === null
                ? ''
                : `Printed last: ${printedOn}.`}
          </p>
        </>
      }
    >
      <SheetPages blocks={blocks} paper={paper} size={size} label={`${piece.title} on paper`} onPages={setPages} />
    </PrintDesk>
  );
}

/** A piece on paper, in one of several ways. */
export function PieceSheet({ choices }: { readonly choices: SheetChoicesAccess }): ReactNode {
  const where = useWhere();
  const kind = useSheetKind();
  const state = useDrawnPiece(where, choices);
  switch (state.kind) {
    case 'no-piece':
      return (
        <EmptyState title="Choose a piece">
          <p>Choose at the top of what piece it is to be.</p>
          <SheetKindChoice />
        </EmptyState>
      );
    case 'failed':
      return <Problem>{state.message}</Problem>;
    case 'loading':
      return (
        <p className="p-8 text-center text-ink-2" role="status">
          Drawing the sheet…
        </p>
      );
    case 'ready':
      return kind === 'week' ? null : (
        <Pages kind={kind} choices={choices} drawn={state.drawn} answers={state.answers} />
      );
  }
}
