'use client';

import type { ButtonHTMLAttributes, ReactNode } from 'react';

type Look = 'primary' | 'plain' | 'quiet';

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: Look;
  /** Shown as a small key beside the label. */
  readonly shortcut?: string;
  readonly big?: boolean;
}

const LOOKS: Readonly<Record<Look, string>> = {
  primary: 'bg-leaf text-white border-leaf hover:bg-leaf-deep font-semibold',
  plain: 'bg-sheet text-leaf border-leaf hover:bg-leaf-wash font-semibold',
  quiet: 'bg-transparent text-ink-2 border-transparent hover:bg-leaf-wash font-semibold',
};

export function Button({
  look = 'plain',
  shortcut,
  big = false,
  className = '',
  children,
  type = 'button',
  ...rest
}: ButtonProps): ReactNode {
  return (
    <button
      type={type}
      className={`inline-flex items-center justify-center gap-2 rounded border px-3 ${big ? 'min-h-12 text-lg' : 'min-h-10 text-base'} disabled:opacity-50 disabled:cursor-not-allowed ${LOOKS[look]} ${className}`}
      {...rest}
    >
      {children}
      {shortcut ? <kbd aria-hidden="true">{shortcut}</kbd> : null}
    </button>
  );
}

interface PanelProps {
  readonly title?: ReactNode;
  readonly aside?: ReactNode;
  readonly children: ReactNode;
  readonly className?: string;
  readonly label?: string;
}

export function Panel({ title, aside, children, className = '', label }: PanelProps): ReactNode {
  return (
    <section className={`panel p-4 ${className}`} aria-label={label ?? (typeof title === 'string' ? title : undefined)}>
      {title ? (
        <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
          <h2>{title}</h2>
          {aside}
        </div>
      ) : null}
      {children}
    </section>
  );
}

/** What to do next where there is nothing yet. */
export function EmptyState({ title, children }: { readonly title: string; readonly children: ReactNode }): ReactNode {
  return (
    <div className="panel mx-auto mt-8 max-w-xl p-8 text-center">
      <h2 className="mb-2 text-xl">{title}</h2>
      <div className="flex flex-col items-center gap-4 text-lg text-ink-2">{children}</div>
    </div>
  );
}

/** A failure in words: what, where, what to do. */
export function Problem({ children }: { readonly children: ReactNode }): ReactNode {
  return (
    <div role="alert" className="rounded border border-stop bg-sheet px-4 py-3 text-stop">
      {children}
    </div>
  );
}
