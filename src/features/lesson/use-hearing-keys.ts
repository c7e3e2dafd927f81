import type { RefObject } from 'react';
import { isLevel } from '@/core/mastery';
import { facets, type Facet, type Level } from '@/core/studio';
import { useKey } from '@/features/keys';
import { addMistake, nextRepetition, toggleFacet, type Draft } from './draft';
import { FACET_KEYS } from './facet-row';

/** What the keys of a hearing do. */
export interface HearingActs {
  readonly asked: ReadonlySet<Facet>;
  readonly edit: (change: (d: Draft) => Draft) => void;
  readonly pick: (level: Level) => void;
  readonly record: () => void;
  readonly go: (by: 1 | -1) => void;
  readonly tap: () => void;
  /** The next rung was done: three in a row. */
  readonly threeInRow: () => void;
  /** It goes at the target tempo. */
  readonly atTarget: () => void;
  readonly tempoInput: RefObject<HTMLInputElement | null>;
  readonly noteInput: RefObject<HTMLInputElement | null>;
}

/** The keys of the Lesson stage while one hears, as listed by `?`. */
export function useHearingKeys({
  asked,
  edit,
  pick,
  record,
  go,
  tap,
  threeInRow,
  atTarget,
  tempoInput,
  noteInput,
}: HearingActs): void {
  useKey('lesson.level', (e) => {
    const n = Number(e.key);
    if (isLevel(n)) pick(n);
  });
  useKey('lesson.facet', (e) => {
    const facet = facets.find((f) => FACET_KEYS[f] === e.key.toLowerCase());
    if (facet && asked.has(facet)) edit((d) => toggleFacet(d, facet));
  });
  useKey('lesson.record', record);
  useKey('lesson.later', () => go(1));
  useKey('lesson.earlier', () => go(-1));
  useKey('lesson.tempo', () => {
    tempoInput.current?.focus();
    tempoInput.current?.select();
  });
  useKey('lesson.tap', tap);
  useKey('lesson.three', threeInRow);
  useKey('lesson.atTempo', atTarget);
  useKey('lesson.mistake', () => edit(addMistake));
  useKey('lesson.again', () => edit(nextRepetition));
  useKey('lesson.note', () => noteInput.current?.focus());
}
