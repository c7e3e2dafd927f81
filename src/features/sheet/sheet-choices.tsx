import { FileDown } from 'lucide-react';
import type { ReactNode } from 'react';
import { PAPERS } from '@/core/studio';
import { PAPER_NAMES, SHEET_FINGERS, SIZES, type PrintSize, type SheetFingers } from '@/sheet';
import { Button, counted, NamedChoice } from '@/ui';
import { PrintButton } from './print-desk';
import { SheetKindChoice } from './sheet-kind';
import { ROOMS, type SheetChoicesAccess, type SheetRoom } from './use-sheet-choices';

const SIZE_NAMES: Readonly<Record<PrintSize, string>> = {
  large: 'large, for small children',
  normal: 'usual',
  compact: 'small',
};
const FINGER_NAMES: Readonly<Record<SheetFingers, string>> = {
  chosen: 'as they are chosen',
  boxes: 'empty boxes at every note',
  'box-changes': 'empty boxes where the hand moves',
};

const ROOM_NAMES: Readonly<Record<SheetRoom, string>> = {
  one: 'what fits on one page',
  all: 'all of it',
};

export interface HomeFileChoices {
  readonly save: () => void;
  readonly busy: boolean;
  /** A piano plays in it: its recordings can go with the file. */
  readonly hasPiano: boolean;
  readonly withPiano: boolean;
  readonly setWithPiano: (withPiano: boolean) => void;
}

interface Props {
  readonly choices: SheetChoicesAccess;
  readonly pages: number;
  /** Tasks whose music had no room. */
  readonly without: readonly number[];
  readonly onPrint: () => void;
  /** The file for home. */
  readonly forHome: HomeFileChoices;
}

/** `1`, `1 and 3`, `1, 2 and 3`. */
const inWords = (numbers: readonly number[]): string =>
  numbers.length < 2
    ? numbers.join('')
    : `${numbers.slice(0, -1).join(', ')} and ${String(numbers[numbers.length - 1] ?? '')}`;

/** On which paper, how large, with which fingers and how much music. */
export function SheetLook({
  choices,
  of = 'week',
}: Pick<Props, 'choices'> & { readonly of?: 'week' | 'piece' }): ReactNode {
  return (
    <>
      <NamedChoice
        place="stacked"
        label="Paper"
        value={choices.paper}
        of={PAPERS}
        names={PAPER_NAMES}
        onPick={choices.setPaper}
      />
      <NamedChoice
        place="stacked"
        label="Size of the print"
        value={choices.size}
        of={SIZES}
        names={SIZE_NAMES}
        onPick={choices.setSize}
      />
      <NamedChoice
        place="stacked"
        label="Fingers"
        value={choices.fingers}
        of={SHEET_FINGERS}
        names={FINGER_NAMES}
        onPick={choices.setFingers}
      />
      {of === 'piece' ? null : (
        <NamedChoice
          place="stacked"
          label="Music"
          value={choices.room}
          of={ROOMS}
          names={ROOM_NAMES}
          onPick={choices.setRoom}
        />
      )}
    </>
  );
}

/** What of the week is printed and how, and its file for home. */
export function WeekChoices({ choices, pages, without, onPrint, forHome }: Props): ReactNode {
  return (
    <>
      <SheetKindChoice />
      <SheetLook choices={choices} />
      <PrintButton onPrint={onPrint}>Print</PrintButton>
      <p className="text-base text-ink-2" role="status">
        {pages > 1 ? `${counted(pages, 'page')}.` : 'One page.'}{' '}
        {without.length > 0 ? `There was no room for the music of ${inWords(without)}. ` : ''}
        The browser prints it, or keeps it as a PDF.
      </p>
      <div className="grid gap-2 border-t border-rule pt-4 sm:col-span-3 lg:col-span-1">
        <Button big shortcut="h" onClick={forHome.save} disabled={forHome.busy}>
          <FileDown size={20} aria-hidden="true" /> {forHome.busy ? 'Making it…' : 'Save for home'}
        </Button>
        {forHome.hasPiano ? (
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-leaf"
              checked={forHome.withPiano}
              onChange={(e) => forHome.setWithPiano(e.target.checked)}
            />
            with the sound of a real piano, a larger file
          </label>
        ) : null}
        <p className="text-base text-ink-2">
          One file that plays, counts and ticks on a telephone, with no network, and sends back what was done. It holds
          a first name and this week, and nothing else.
        </p>
      </div>
    </>
  );
}
