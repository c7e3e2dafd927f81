import type { ReactNode } from 'react';

/** Pages as they are printed; on a small screen they are moved to and fro, by keys as well. */
export function PaperPreview({ children }: { readonly children: ReactNode }): ReactNode {
  return (
    // What can be moved must have the focus.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <div role="region" aria-label="Preview" tabIndex={0} className="relative overflow-x-auto print:overflow-visible">
      {children}
    </div>
  );
}
