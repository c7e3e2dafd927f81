import type { RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { isLevel } from '@/core/mastery';
import { facets, type Facet, type Level } from '@/core/studio';
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

const instead =
  (run: () => void) =>
  (e: KeyboardEvent): void => {
    e.preventDefault();
    run();
  };
const ANSWER_ENTER = ['BUTTON', 'INPUT', 'SELECT', 'TEXTAREA'];

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
  useHotkeys(
    '0, 1, 2, 3, 4, 5',
    (e) => {
      const n = Number(e.key);
      if (isLevel(n)) pick(n);
    },
    { useKey: true },
  );
  useHotkeys(Object.values(FACET_KEYS), (e) => {
    const facet = facets.find((f) => FACET_KEYS[f] === e.key.toLowerCase());
    if (facet && asked.has(facet)) edit((d) => toggleFacet(d, facet));
  });
  useHotkeys('enter', (e) => {
    if (ANSWER_ENTER.includes((e.target as Element).tagName)) return;
    e.preventDefault();
    record();
  });
  useHotkeys(
    'down',
    instead(() => go(1)),
  );
  useHotkeys(
    'up',
    instead(() => go(-1)),
  );
  useHotkeys(
    't',
    instead(() => {
      tempoInput.current?.focus();
      tempoInput.current?.select();
    }),
  );
  useHotkeys('b', tap);
  useHotkeys('i', threeInRow);
  useHotkeys('o', atTarget);
  useHotkeys('e', () => edit(addMistake));
  useHotkeys('p', () => edit(nextRepetition));
  useHotkeys(
    'w',
    instead(() => noteInput.current?.focus()),
  );
}
