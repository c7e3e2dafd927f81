import { Printer } from 'lucide-react';
import type { ReactNode } from 'react';
import { PAPERS, SHEET_FINGERS, SIZES, type Paper, type PrintSize, type SheetFingers } from '@/sheet';
import { Button, Choose, counted } from '@/ui';
import { ROOMS, type SheetChoicesAccess, type SheetRoom } from './use-sheet-choices';

export const PAPER_NAMES: Readonly<Record<Paper, string>> = { a4: 'A4', letter: 'Letter' };
const SIZE_NAMES: Readonly<Record<PrintSize, string>> = {
  large: 'large, for small children',
  normal: 'usual',
  compact: 'small',
};
const FINGER_NAMES: Readonly<Record<SheetFingers, string>> = {
  chosen: 'as they are chosen',
  boxes: 'empty boxes',
};

const ROOM_NAMES: Readonly<Record<SheetRoom, string>> = {
  one: 'what fits on one page',
  all: 'all of it',
};

interface Props {
  readonly choices: SheetChoicesAccess;
  readonly pages: number;
  /** Tasks whose music had no room. */
  readonly without: readonly number[];
  readonly onPrint: () => void;
}

/** `1`, `1 and 3`, `1, 2 and 3`. */
const inWords = (numbers: readonly number[]): string =>
  numbers.length < 2
    ? numbers.join('')
    : `${numbers.slice(0, -1).join(', ')} and ${String(numbers[numbers.length - 1] ?? '')}`;

/** What is printed and how, beside what it looks like. */
export function SheetChoicesPanel({ choices, pages, without, onPrint }: Props): ReactNode {
  return (
    <div className="no-print panel grid content-start gap-4 p-4" role="group" aria-label="How it is printed">
      <Choose
        place="stacked"
        label="Paper"
        value={choices.paper}
        choices={PAPERS.map((p) => [p, PAPER_NAMES[p]])}
        onPick={choices.setPaper}
      />
      <Choose
        place="stacked"
        label="Size of the print"
        value={choices.size}
        choices={SIZES.map((s) => [s, SIZE_NAMES[s]])}
        onPick={choices.setSize}
      />
      <Choose
        place="stacked"
        label="Fingers"
        value={choices.fingers}
        choices={SHEET_FINGERS.map((f) => [f, FINGER_NAMES[f]])}
        onPick={choices.setFingers}
      />
      <Choose
        place="stacked"
        label="Music"
        value={choices.room}
        choices={ROOMS.map((r) => [r, ROOM_NAMES[r]])}
        onPick={choices.setRoom}
      />
      <Button look="primary" big shortcut="p" onClick={onPrint}>
        <Printer size={20} aria-hidden="true" /> Print
      </Button>
      <p className="text-base text-ink-2" role="status">
        {pages > 1 ? `${counted(pages, 'page')}.` : 'One page.'}{' '}
        {without.length > 0 ? `There was no room for the music of ${inWords(without)}. ` : ''}
        The browser prints it, or keeps it as a PDF.
      </p>
    </div>
  );
}
