import { Check } from 'lucide-react';
import type { ReactNode, RefObject } from 'react';
import type { TempoUnit } from '@/core/score';
import { facets, type Facet } from '@/core/studio';
import { BeatSign } from '@/ui';
import type { Draft } from './draft';

export const FACET_KEYS: Readonly<Record<Facet, string>> = {
  notes: 'n',
  rhythm: 'r',
  fingering: 'f',
  joined: 'j',
  articulation: 'a',
  dynamics: 'd',
  memory: 'm',
};

interface Props {
  readonly draft: Draft;
  readonly asked: ReadonlySet<Facet>;
  readonly tempoText: string;
  readonly target: number;
  /** The beat that the tempo counts. */
  readonly unit: TempoUnit;
  readonly tempoInput: RefObject<HTMLInputElement | null>;
  /** What the level comes from, or what it may start at. */
  readonly why: string;
  /** What speaks for a facet that is not heard yet. */
  readonly proposed: ReadonlyMap<Facet, string>;
  readonly onFacet: (facet: Facet) => void;
  readonly onTempo: (text: string) => void;
  readonly onTap: () => void;
  readonly onMistake: () => void;
  readonly onRepetition: () => void;
}

const CHIP = 'flex min-h-11 shrink-0 items-center gap-1.5 rounded border px-2.5 text-lg';

/** One thing that is heard; dashed where something speaks for it that was not heard here. */
function FacetChip({
  facet,
  there,
  because,
  onFacet,
}: {
  readonly facet: Facet;
  readonly there: boolean;
  readonly because: string | undefined;
  readonly onFacet: (facet: Facet) => void;
}): ReactNode {
  const open = because === undefined ? 'border-rule-strong bg-sheet' : 'border-dashed border-leaf-deep bg-sheet';
  return (
    <button
      type="button"
      aria-pressed={there}
      title={there ? undefined : because}
      className={`${CHIP} ${there ? 'border-leaf-deep bg-leaf-wash font-semibold' : open}`}
      onClick={() => onFacet(facet)}
    >
      {there ? <Check size={18} aria-hidden="true" /> : null}
      {facet}
      <kbd aria-hidden="true">{FACET_KEYS[facet]}</kbd>
    </button>
  );
}

/** What is heard, each with one key; the tempo by tapping or typing; mistakes of each repetition. */
export function FacetRow({
  draft,
  asked,
  tempoText,
  target,
  unit,
  tempoInput,
  why,
  proposed,
  onFacet,
  onTempo,
  onTap,
  onMistake,
  onRepetition,
}: Props): ReactNode {
  return (
    <div
      className="flex gap-2 overflow-x-auto border-t border-rule-strong pt-2 sm:flex-wrap sm:overflow-visible"
      role="group"
      aria-label="What is heard"
    >
      {facets
        .filter((f) => asked.has(f))
        .map((facet) => (
          <FacetChip
            key={facet}
            facet={facet}
            there={draft.facets[facet] === true}
            because={proposed.get(facet)}
            onFacet={onFacet}
          />
        ))}
      <span className={`${CHIP} border-rule-strong bg-sheet`}>
        <label className="flex items-center gap-2">
          tempo <BeatSign unit={unit} />
          <input
            ref={tempoInput}
            className="figure w-12 border-b border-rule-strong bg-transparent text-center font-semibold"
            inputMode="numeric"
            value={tempoText}
            placeholder={String(target)}
            onChange={(e) => onTempo(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === 'Enter') {
                e.preventDefault();
                e.currentTarget.blur();
              }
            }}
          />
        </label>
        <kbd aria-hidden="true">t</kbd>
      </span>
      <button type="button" className={`${CHIP} border-rule-strong bg-sheet`} onClick={onTap}>
        tap <kbd aria-hidden="true">b</kbd>
      </button>
      <button type="button" className={`${CHIP} border-rule-strong bg-sheet`} onClick={onMistake}>
        mistake <kbd aria-hidden="true">e</kbd>
      </button>
      {draft.errors.length > 0 ? (
        <button
          type="button"
          aria-label={`Mistakes ${draft.errors.join(', ')}; next repetition`}
          className={`${CHIP} border-rule-strong bg-sheet`}
          onClick={onRepetition}
        >
          <span className="figure">{draft.errors.join('·')}</span> again <kbd aria-hidden="true">p</kbd>
        </button>
      ) : null}
      <span className="min-w-48 flex-1 self-center sm:min-w-32 leading-tight text-ink-2" aria-live="polite">
        {[why, ...[...proposed].flatMap(([f, words]) => (draft.facets[f] === true ? [] : [words]))]
          .filter((words) => words !== '')
          .join('; ')}
      </span>
    </div>
  );
}
