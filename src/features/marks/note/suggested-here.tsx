import type { ReactNode } from 'react';
import { Button } from '@/ui';
import type { MarkActions } from '../actions';
import type { Suggestion } from '../suggestions';

/** What is suggested at the chosen notes, each with its reason, to be taken over or refused. */
export function SuggestedHere({
  here,
  actions,
}: {
  readonly here: readonly Suggestion[];
  readonly actions: MarkActions;
}): ReactNode {
  if (here.length === 0) return null;
  return (
    <div>
      <div className="flex items-baseline justify-between gap-2">
        <h3>Suggested here</h3>
        {here.length > 1 ? (
          <Button look="quiet" shortcut="a" onClick={() => actions.accept(here)}>
            Accept these {here.length}
          </Button>
        ) : null}
      </div>
      <ul className="grid gap-1">
        {here.map((s) => (
          <li key={s.key} className="border-t border-rule pt-1 first:border-0">
            <p>
              <span className="mr-2 inline-block min-w-8 rounded border border-dashed border-ink-3 px-2 text-center font-semibold text-ink-2">
                {s.text}
              </span>
              <span className="text-ink-2">{s.reason}</span>
            </p>
            <span className="mt-1 flex gap-1">
              <Button onClick={() => actions.accept([s])} aria-label={`Accept ${s.text}: ${s.reason}`}>
                Accept
              </Button>
              <Button
                look="quiet"
                onClick={() => actions.refuse(s.key, `${s.text} refused`)}
                aria-label={`Refuse ${s.text}: ${s.reason}`}
              >
                Refuse
              </Button>
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
