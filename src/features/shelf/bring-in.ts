import type { Grid } from '@/core/bargrid';
import { bringInPiece } from '@/core/commands';
import { instrumentFromWords, instrumentName, instrumentOf } from '@/core/instruments';
import type { Result } from '@/core/result';
import type { Done, StudioAccess } from '@/store';
import type { PlayerChoice } from '@/core/players';
import { openBrought, type OpenedFile } from '@/workers';

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

/**
 * Reads a file in the worker and, when it is music, puts it on the shelf for the part that is asked for. Nothing is
 * stored otherwise; null where the teacher thought better of it.
 */
export async function bringIn(
  studio: StudioAccess,
  file: File,
  ask: AskWhosePart,
  score?: string,
): Promise<Result<Done> | null> {
  const opened = await openBrought({
    kind: 'file',
    bytes: new Uint8Array(await file.arrayBuffer()),
    fileName: file.name,
    ...(score === undefined ? {} : { score }),
  });
  if (!opened.ok) return opened;
  const about = isUnsure(opened.value) ? await ask(opened.value, file.name) : undefined;
  if (about === null) return null;
  if (about?.kind === 'score') return bringIn(studio, file, ask, about.path);
  return studio.run(bringInPiece, { read: opened.value, fileName: file.name, verb: 'brought in', ...about?.whose });
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
