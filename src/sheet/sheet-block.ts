import type { ReactNode } from 'react';

/** One thing on paper that is never cut in two. */
export interface SheetBlock {
  readonly key: string;
  readonly content: ReactNode;
  /** It begins a page. */
  readonly newPage?: true;
}
