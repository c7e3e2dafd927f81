import { changeSettings } from '@/core/commands';
import { PAPERS, type Paper } from '@/core/studio';
import { SHEET_FINGERS, SIZES, type SheetChoices, type SheetFingers, type PrintSize } from '@/sheet';
import { useSettings } from '@/store';
import { useKeptChoice } from '@/ui';
import { useActs } from '@/features/acts';

export const ROOMS = ['one', 'all'] as const;
export type SheetRoom = (typeof ROOMS)[number];

export interface SheetChoicesAccess extends SheetChoices {
  /** One page, or as many as it takes. */
  readonly room: SheetRoom;
  readonly setRoom: (room: SheetRoom) => void;
  readonly setPaper: (paper: Paper) => void;
  readonly setSize: (size: PrintSize) => void;
  readonly setFingers: (fingers: SheetFingers) => void;
}

/** On which paper, how large, with which fingers: the paper is the studio's, the rest is kept as it was last. */
export function useSheetChoices(): SheetChoicesAccess {
  const { run } = useActs();
  const settings = useSettings();
  const [size, setSize] = useKeptChoice('sheet-size', ['normal', ...SIZES.filter((s) => s !== 'normal')]);
  const [fingers, setFingers] = useKeptChoice('sheet-fingers', SHEET_FINGERS);
  const [room, setRoom] = useKeptChoice('sheet-room', ROOMS);
  return {
    room,
    setRoom,
    paper: settings?.paper ?? PAPERS[0],
    size,
    fingers,
    setPaper: (paper) => run(changeSettings, { change: { paper }, label: 'paper' }),
    setSize,
    setFingers,
  };
}
