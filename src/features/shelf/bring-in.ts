'use client';

import type { Issue } from '@/core/result';
import type { Piece } from '@/core/studio';
import { rowChange, type StudioAccess } from '@/store';
import { pieceWorker, type OpenedFile } from '@/workers';

/** A first guess at the instrument from what the file says; the teacher may change it. */
function instrumentOf(opened: OpenedFile): string {
  const part = opened.score.parts[0];
  const said = `${part?.name ?? ''} ${part?.instrumentSound ?? ''}`.toLowerCase();
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
    title: opened.score.title || fileName.replace(/\.[^.]+$/, ''),
    composer: opened.score.composer,
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
export async function bringIn(studio: StudioAccess, file: File): Promise<{ readonly piece: Piece; readonly warnings: number } | { readonly issue: Issue }> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const opened = await pieceWorker().open(bytes, file.name);
  if (!opened.ok) return { issue: opened.issue };
  const piece = pieceFrom(opened.value, file.name, studio.newId(), studio.now());
  await studio.commit(`${piece.title} brought in`, [rowChange('pieces', null, piece)]);
  return { piece, warnings: opened.value.score.warnings.length };
}
