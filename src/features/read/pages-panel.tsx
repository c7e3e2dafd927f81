'use client';

import { ImagePlus, Trash2 } from 'lucide-react';
import { useRef, type ReactNode } from 'react';
import type { Page, Piece } from '@/core/studio';
import { addPage, removePage } from '@/core/commands';
import { fail, ok, type Result } from '@/core/result';
import { pictureAddress, usePages } from '@/store';
import { Button, Panel } from '@/ui';
import { useActs } from '@/features/acts';

const TYPES: readonly Page['type'][] = ['image/png', 'image/jpeg', 'image/webp'];
const isType = (type: string): type is Page['type'] => TYPES.some((t) => t === type);
/** Base 64 takes a third more room than the picture; the schema allows 30 million characters. */
const MOST_BYTES = 20_000_000;

async function base64(file: File): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const pieces: string[] = [];
  for (let i = 0; i < bytes.length; i += 24_576)
    pieces.push(btoa(String.fromCharCode(...bytes.subarray(i, i + 24_576))));
  return pieces.join('');
}

/** Pictures of the printed page, kept with the piece and shown beside the music. */
export function PagesPanel({
  piece,
  shown,
  onShow,
}: {
  readonly piece: Piece;
  readonly shown: string | null;
  readonly onShow: (id: string | null) => void;
}): ReactNode {
  const { run, act } = useActs();
  const pages = usePages(piece.id) ?? [];
  const input = useRef<HTMLInputElement | null>(null);
  const add = async (file: File): Promise<Result<null>> => {
    const { type } = file;
    if (!isType(type)) return fail('not-a-picture', `${file.name} is not a PNG, JPEG or WebP picture.`);
    if (file.size > MOST_BYTES)
      return fail('too-large', `${file.name} is larger than 20 MB; save the picture smaller.`);
    const data = await base64(file);
    run(addPage, { pieceId: piece.id, name: file.name, type, data }, { stored: ({ made }) => onShow(made ?? null) });
    return ok(null);
  };
  return (
    <Panel
      title="Pages"
      aside={
        <Button look="quiet" onClick={() => input.current?.click()}>
          <ImagePlus size={18} aria-hidden="true" /> Add a picture
        </Button>
      }
    >
      <input
        ref={input}
        type="file"
        accept={TYPES.join(',')}
        multiple
        className="sr-only"
        tabIndex={-1}
        aria-label="Choose pictures of the page"
        onChange={(e) => {
          for (const file of e.target.files ?? []) act(() => add(file));
          e.target.value = '';
        }}
      />
      {pages.length === 0 ? (
        <p className="text-ink-2">A photo of the printed page can be kept here and shown beside the music.</p>
      ) : (
        <ul className="grid gap-1">
          {pages.map((page) => (
            <li key={page.id} className="flex items-center gap-2">
              <button
                type="button"
                aria-pressed={shown === page.id}
                className={`flex min-h-11 flex-1 items-center gap-2 rounded px-2 text-left ${shown === page.id ? 'bg-acorn-wash' : 'hover:bg-leaf-wash'}`}
                onClick={() => onShow(shown === page.id ? null : page.id)}
              >
                <img src={pictureAddress(page)} className="h-10 w-8 border border-rule object-cover" alt="" />
                <span className="truncate">{page.name}</span>
              </button>
              <Button
                look="quiet"
                aria-label={`Take away ${page.name}`}
                onClick={() => run(removePage, { pageId: page.id })}
              >
                <Trash2 size={18} aria-hidden="true" />
              </Button>
            </li>
          ))}
        </ul>
      )}
    </Panel>
  );
}

/** The chosen page, large. */
export function PagePicture({ piece, id }: { readonly piece: Piece; readonly id: string }): ReactNode {
  const page = (usePages(piece.id) ?? []).find((p) => p.id === id);
  return page ? (
    <Panel label={`Page ${page.name}`}>
      <img
        src={pictureAddress(page)}
        alt={`The printed page, ${page.name}`}
        className="mx-auto max-h-[70vh] max-w-full"
      />
    </Panel>
  ) : null;
}
