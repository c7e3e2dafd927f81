import { useRef, useState, type ReactNode } from 'react';
import { addPages, layAnew, placedPages, type Differences, type Paper } from '@/core/paper';
import { fail, type Result } from '@/core/result';
import { Button, counted } from '@/ui';
import { tell, useActs } from '@/features/acts';
import { MOST_PAGES, openSources, type OpenedSources } from './page-sources';
import { picturesOf, readPages, toPlace, type ReadingProgress } from './read-pages';
import type { EditPaper } from './use-paper';

/** What another photograph differs in, in a sentence. */
function differencesInWords({ before, after, lost }: Differences): string {
  if (before === after) return `All ${counted(after, 'bar')} are there again; everything stays where it was.`;
  return after > before
    ? `The new pages have ${counted(after - before, 'bar')} more (${after}, before ${before}). Sections and marks stay on the bars they were on, counted from the beginning: look whether a bar line is too many.`
    : `The new pages have ${counted(lost.length, 'bar')} fewer (${after}, before ${before}). What stood there waits until a bar line is put in; undo brings the pages before back.`;
}

/** Pages of the files, no more than can be read at a time. */
async function openFew(files: readonly File[]): Promise<Result<OpenedSources>> {
  const sources = await openSources(files);
  if (!sources.ok || sources.value.pages.length <= MOST_PAGES) return sources;
  const { pages, close } = sources.value;
  close();
  return fail('too-many-pages', `These are ${pages.length} pages; up to ${MOST_PAGES} can be read at a time.`);
}

/** Brings more pages in behind those that are there, or other pictures of the same music in their place. */
export function MorePages({ pieceId, edit }: { readonly pieceId: string; readonly edit: EditPaper }): ReactNode {
  const { act } = useActs();
  const input = useRef<HTMLInputElement | null>(null);
  const [anew, setAnew] = useState(false);
  const [at, setAt] = useState<ReadingProgress | null>(null);
  const take = async (files: readonly File[]): Promise<Result<unknown> | void> => {
    const sources = await openFew(files);
    if (!sources.ok) return sources;
    const { pages: found, close } = sources.value;
    const reading = readPages(found, {}, setAt);
    const pages = await reading.result.finally(() => {
      setAt(null);
      close();
    });
    if (pages === null || !pages.ok) return pages ?? undefined;
    const placed = (paper: Paper) =>
      placedPages(anew ? { ...paper, layouts: [] } : paper, pages.value.map(toPlace(pieceId)));
    const pictures = picturesOf(pages.value);
    if (!anew) {
      edit(
        'pages added',
        (paper) => {
          const { layouts, bars } = placed(paper);
          return addPages({ ...paper, grid: { ...paper.grid, bars: [...paper.grid.bars, ...bars] } }, layouts);
        },
        { pictures },
      );
      return undefined;
    }
    let differences: Differences | null = null;
    edit(
      'pages photographed again',
      (paper) => {
        const laid = layAnew(paper, placed(paper).layouts);
        ({ differences } = laid);
        return laid.change;
      },
      {
        pictures,
        stored: () => {
          if (differences) tell(differencesInWords(differences));
        },
      },
    );
    return undefined;
  };
  const choose = (again: boolean): void => {
    setAnew(again);
    input.current?.click();
  };
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => choose(false)}>Add pages</Button>
        <Button look="quiet" onClick={() => choose(true)}>
          Photograph again
        </Button>
      </div>
      <input
        ref={input}
        type="file"
        accept="image/*,.pdf,application/pdf"
        multiple
        className="sr-only"
        tabIndex={-1}
        aria-label="Choose pages"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          if (files.length > 0) act(() => take(files));
        }}
      />
      {at ? (
        <p role="status">
          Looking for bars: page {at.page} of {at.of}
        </p>
      ) : null}
    </div>
  );
}
