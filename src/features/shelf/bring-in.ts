'use client';

import type { Grid } from '@/core/bargrid';
import type { Issue } from '@/core/result';
import { recallPiece, type Piece } from '@/core/studio';
import { rowChange, type StudioAccess } from '@/store';
import { pieceWorker, type OpenedFile } from '@/workers';

/** A first guess at the instrument from what the file says; the teacher may change it. */
function instrumentOf(opened: OpenedFile): string {
  const said = `${opened.firstPart.name} ${opened.firstPart.sound ?? ''}`.toLowerCase();
  const known = [
    'violin',
    'viola',
    'cello',
    'bass',
    'guitar',
    'ukulele',
    'banjo',
    'flute',
    'clarinet',
    'oboe',
    'bassoon',
    'recorder',
    'saxophone',
    'trumpet',
    'horn',
    'trombone',
    'tuba',
  ];
  return known.find((name) => said.includes(name)) ?? 'piano';
}

export function pieceFrom(opened: OpenedFile, fileName: string, id: string, at: string): Piece {
  return {
    id,
    title: opened.title || fileName.replace(/\.[^.]+$/, ''),
    composer: opened.composer,
    format: opened.format,
    fileName,
    source: opened.text,
    encoding: opened.encoding,
    bom: opened.bom,
    original: opened.original,
    instrument: instrumentOf(opened),
    targetTempo: null,
    addedAt: at,
    updatedAt: at,
  };
}

/** Reads a file in the worker and, when it is music, puts it on the shelf. Nothing is stored otherwise. */
export async function bringIn(
  studio: StudioAccess,
  file: File,
): Promise<{ readonly piece: Piece; readonly warnings: number; readonly marks: number } | { readonly issue: Issue }> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const opened = await pieceWorker().open(bytes, file.name);
  if (!opened.ok) return { issue: opened.issue };
  const piece = pieceFrom(opened.value, file.name, studio.newId(), studio.now());
  const recalled = opened.value.remembered === null ? null : recallPiece(opened.value.remembered, piece.id, studio.newId);
  await studio.commit(`${piece.title} brought in`, [
    rowChange('pieces', null, piece),
    ...(recalled?.sections ?? []).map((s) => rowChange('sections', null, s)),
    ...(recalled?.marks ?? []).map((m) => rowChange('marks', null, m)),
  ]);
  return { piece, warnings: opened.value.warnings.length, marks: recalled?.marks.length ?? 0 };
}

const ABC_START = (title: string): string => `X:1
T:${title}
M:4/4
L:1/8
Q:1/4=96
K:C
C2 D2 E2 F2 | G4 G4 |]
`;

/** A new piece to be typed as text; null when even the start cannot be read, which is a bug. */
export async function startTyped(studio: StudioAccess, title: string): Promise<Piece | null> {
  const opened = await pieceWorker().openAbc(ABC_START(title.replace(/\n/g, ' ')), 'typed.abc');
  if (!opened.ok) return null;
  const piece = pieceFrom(opened.value, 'typed.abc', studio.newId(), studio.now());
  await studio.commit(`${piece.title} begun`, [rowChange('pieces', null, piece)]);
  return piece;
}

/** A printed piece laid out as bars; what is wrong with the lay-out comes back as an issue and nothing is stored. */
export async function layOut(studio: StudioAccess, grid: Grid, instrument: string): Promise<{ readonly piece: Piece } | { readonly issue: Issue }> {
  const opened = await pieceWorker().openGrid(grid, 'bar grid');
  if (!opened.ok) return { issue: opened.issue };
  const piece: Piece = { ...pieceFrom(opened.value, 'bar grid', studio.newId(), studio.now()), title: grid.title, instrument };
  await studio.commit(`${piece.title} laid out`, [rowChange('pieces', null, piece)]);
  return { piece };
}
