'use client';

import type { ReactNode } from 'react';
import type { Fact, FactGroup } from '@/core/facts';
import { Panel } from '@/ui';

const HEADINGS: Readonly<Record<FactGroup, string>> = {
  piece: 'On the page',
  range: 'Range',
  know: 'To own before it',
  signs: 'Signs',
  rhythms: 'Note values',
};
const ORDER: readonly FactGroup[] = ['piece', 'range', 'know', 'signs', 'rhythms'];

function FactRow({ fact, onShow }: { readonly fact: Fact; readonly onShow: (bar: number) => void }): ReactNode {
  const { bar } = fact;
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-x-3">
      <dt className="text-ink-2">{fact.name}</dt>
      <dd>
        {bar === null ? (
          fact.value
        ) : (
          <button
            type="button"
            className="min-h-6 text-left text-leaf underline decoration-rule-strong underline-offset-4"
            onClick={() => onShow(bar)}
          >
            {fact.value}
            <span className="sr-only">, show {fact.name}</span>
          </button>
        )}
      </dd>
    </div>
  );
}

/** What the page says and what the student must own, each with a click to where it is. */
export function FactsPanel({
  facts,
  onShow,
}: {
  readonly facts: readonly Fact[];
  readonly onShow: (bar: number) => void;
}): ReactNode {
  return (
    <Panel title={HEADINGS.piece}>
      {ORDER.map((group) => {
        const here = facts.filter((f) => f.group === group);
        if (here.length === 0) return null;
        const rows = (
          <dl className="grid gap-1.5">
            {here.map((fact, i) => (
              <FactRow key={`${fact.name} ${i}`} fact={fact} onShow={onShow} />
            ))}
          </dl>
        );
        return group === 'piece' ? (
          <div key={group}>{rows}</div>
        ) : (
          <details key={group} className="mt-3 border-t border-rule pt-2" open={group === 'range' || group === 'know'}>
            <summary className="mb-1.5 cursor-pointer font-semibold">
              {HEADINGS[group]} <span className="figure font-normal text-ink-2">{here.length}</span>
            </summary>
            {rows}
          </details>
        );
      })}
    </Panel>
  );
}
