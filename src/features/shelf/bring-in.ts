import type { Grid } from '@/core/bargrid';
import { bringInPiece } from '@/core/commands';
import { instrumentFromWords, instrumentName, instrumentOf } from '@/core/instruments';
import type { Issue, Result } from '@/core/result';
import type { Piece } from '@/core/studio';
import { everyPiece, type Done, type StudioAccess } from '@/store';
import type { PlayerChoice } from '@/core/players';
import { askReading, engrave, openBrought, type OpenedFile } from '@/workers';
import { twinOf } from './find-pieces';

/** What was said of a file: whose part it is, and the instrument where it was changed. */
export interface WhosePart {
  readonly player: PlayerChoice;
  readonly instrument?: string;
}

/** Asks whose part a file is; another score of the file, or null where it is not to come in. */
export type AskWhosePart = (opened: OpenedFile, fileName: string) => Promise<AboutFile | null>;

/** What is answered: whose part it is, or another score of the same file. */
export type AboutFile =
  { readonly kind: 'part'; readonly whose: WhosePart } | { readonly kind: 'score'; readonly path: string };

/** Whether something has to be asked: there are several parts or scores, or nobody says what the one is played on. */
export const isUnsure = ({ players, scores }: OpenedFile): boolean =>
  scores !== undefined || players.length > 1 || players.some((p) => !p.told.sure);

/** What is done with a piece that is there already: it is opened, comes in all the same, or does not. */
export type AboutTwin = 'open' | 'bring' | 'leave';

/** What may be asked before a piece comes in. */
export interface Asks {
  readonly whose: AskWhosePart;
  readonly twice: (piece: Piece, same: 'document' | 'name', fileName: string) => Promise<AboutTwin>;
}

/** What became of a file. */
export type Brought =
  | {
      readonly kind: 'brought';
      readonly pieceId: string | null;
      readonly says: string;
      /** It was asked whose part it is. */
      readonly asked: boolean;
    }
  | { readonly kind: 'there'; readonly pieceId: string }
  | { readonly kind: 'left' }
  | { readonly kind: 'failed'; readonly issue: Issue };

/** How the first bars of a file are drawn while the rest is read. */
const FIRST_LOOK = { width: 760, scale: 50 } as const;

/** The first line of a file that is being read, for its usual part; null where it cannot be told so soon. */
export async function firstLook(file: File): Promise<string | null> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const document = await askReading((api) => api.firstBars({ kind: 'file', bytes, fileName: file.name }));
  if (!document.ok || document.value === null) return null;
  const systems = await engrave(document.value, FIRST_LOOK);
  return systems.ok ? (systems.value[0] ?? null) : null;
}

/**
 * Reads a file in the worker and, when it is music, puts it on the shelf for the part that is asked for. A piece that
 * seems to be there already is asked about first. Nothing is stored otherwise.
 */
export async function bringIn(studio: StudioAccess, file: File, asks: Asks, score?: string): Promise<Brought> {
  const opened = await openBrought({
    kind: 'file',
    bytes: new Uint8Array(await file.arrayBuffer()),
    fileName: file.name,
    ...(score === undefined ? {} : { score }),
  });
  if (!opened.ok) return { kind: 'failed', issue: opened.issue };
  // As they are stored now: of several files one may be the other.
  const twin = twinOf(await everyPiece(studio.db), opened.value);
  const again = twin === null ? 'bring' : await asks.twice(twin.piece, twin.same, file.name);
  if (again === 'leave') return { kind: 'left' };
  if (again === 'open' && twin) return { kind: 'there', pieceId: twin.piece.id };
  const about = isUnsure(opened.value) ? await asks.whose(opened.value, file.name) : undefined;
  if (about === null) return { kind: 'left' };
  if (about?.kind === 'score') return bringIn(studio, file, asks, about.path);
  const done = await studio.run(bringInPiece, {
    read: opened.value,
    fileName: file.name,
    verb: 'brought in',
    ...about?.whose,
  });
  return done.ok
    ? {
        kind: 'brought',
        pieceId: done.value.made ?? null,
        says: done.value.says ?? '',
        asked: about !== undefined,
      }
    : { kind: 'failed', issue: done.issue };
}

/** A voice says its instrument, its clef and how far from the page it sounds. */
function voiceLine(instrument: string, clef: string): string {
  const named = instrumentFromWords(instrument);
  const { transposition } = instrumentOf(named.instrument);
  const inClef = /[+-]8$/.test(clef) && transposition % 12 === 0;
  const name = instrumentName(named).replaceAll('"', '');
  return `V:1 name="${name}" clef=${clef === 'percussion' ? 'perc' : clef}${inClef || transposition === 0 ? '' : ` transpose=${transposition}`}`;
}

const ABC_START = (title: string, voice: string): string => `X:1
T:${title}
M:4/4
L:1/8
Q:1/4=96
${voice}
K:C
C2 D2 E2 F2 | G4 G4 |]
`;

/** A new piece to be typed as text, for an instrument and in its clef. */
export async function startTyped(
  studio: StudioAccess,
  title: string,
  instrument: string,
  clef: string,
): Promise<Result<Done>> {
  const fileName = 'typed.abc';
  const text = ABC_START(title.replaceAll('\n', ' '), voiceLine(instrument, clef));
  const opened = await openBrought({ kind: 'abc', text, fileName });
  if (!opened.ok) return opened;
  return studio.run(bringInPiece, {
    read: opened.value,
    fileName,
    title,
    ...(instrument === '' ? {} : { instrument }),
    verb: 'begun',
  });
}

/** A printed piece laid out as bars; what is wrong with the lay-out comes back as an issue and nothing is stored. */
export async function layOut(studio: StudioAccess, grid: Grid, instrument: string): Promise<Result<Done>> {
  const fileName = 'bar grid';
  const opened = await openBrought({ kind: 'grid', grid, fileName });
  if (!opened.ok) return opened;
  return studio.run(bringInPiece, { read: opened.value, fileName, title: grid.title, instrument, verb: 'laid out' });
}

/** A piece that comes with the application, put on the shelf. */
export async function startShipped(
  studio: StudioAccess,
  { title, abc, instrument }: { readonly title: string; readonly abc: string; readonly instrument: string },
): Promise<Result<Done>> {
  const fileName = `${title}.abc`;
  const opened = await openBrought({ kind: 'abc', text: abc, fileName });
  if (!opened.ok) return opened;
  return studio.run(bringInPiece, { read: opened.value, fileName, instrument, verb: 'brought in' });
}
