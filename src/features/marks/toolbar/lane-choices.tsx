import type { ReactNode } from 'react';
import { Button } from '@/ui';
import type { MarksModel } from '../use-marks-model';
import type { Lane } from '../use-view-choices';

const including = (set: ReadonlySet<Lane>, lane: Lane): ReadonlySet<Lane> => new Set([...set, lane]);
const without = (set: ReadonlySet<Lane>, lane: Lane): ReadonlySet<Lane> =>
  new Set([...set].filter((other) => other !== lane));
/** The lanes with one of them a place higher. */
const raised = (lanes: readonly Lane[], at: number): readonly Lane[] =>
  lanes.flatMap((l, i) => (i === at - 1 ? [lanes[at] ?? l, l] : i === at ? [] : [l]));

/** Which lanes stand under the music, and in which order. */
export function LaneChoices({ model }: { readonly model: MarksModel }): ReactNode {
  const { lanes, setLanes, folded, setFolded } = model;
  return (
    <details>
      <summary className="cursor-pointer py-2 font-semibold text-ink-2">Lanes</summary>
      <div className="grid gap-1">
        {lanes.map((name, i) => (
          <span key={name} className="flex min-h-9 items-center gap-2">
            <label className="flex flex-1 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-leaf"
                checked={!folded.has(name)}
                onChange={(e) =>
                  setFolded((before) => (e.target.checked ? without(before, name) : including(before, name)))
                }
              />
              {name}
            </label>
            <Button
              look="quiet"
              disabled={i === 0}
              aria-label={`${name} higher`}
              onClick={() => setLanes((before) => raised(before, i))}
            >
              ▴
            </Button>
          </span>
        ))}
      </div>
    </details>
  );
}
