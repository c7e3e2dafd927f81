import type { ReactNode } from 'react';
import { rootName, type BeatChord, type Cadence, type Harmony, type KeySpan } from '@/core/harmony';
import type { Score } from '@/core/score';
import { xOfOnset } from '@/marked';
import { staggered, textWidth, type LineLayout, withSigns } from '@/ui';

interface ChordsProps {
  readonly score: Score;
  readonly harmony: Pick<Harmony, 'beats' | 'cadences' | 'keys' | 'untold'>;
  readonly onsets: ReadonlyMap<number, string>;
  readonly layout: LineLayout;
  /** Shows what else an unsure chord may be in place of its degree. */
  readonly others: boolean;
}

/** Less sure than this, a chord is shown as such. */
const SURE_FROM = 0.6;
const isUnsure = (b: BeatChord): boolean => !b.printed && b.certainty < SURE_FROM && b.alternatives.length > 0;

/** Pixels past the bar line. */
const KEY_INDENT = 8;

const CLOSES = {
  authentic: 'full close',
  half: 'half close',
  plagal: 'plagal close',
  deceptive: 'turned close',
} as const satisfies Record<Cadence['kind'], string>;

/** Keys less sure than this are asked, not said. */
const KEY_SURE_FROM = 0.85;

const keyInWords = (key: KeySpan): string =>
  `${withSigns(rootName(key.tonic, key))} ${key.mode}${key.certainty < KEY_SURE_FROM ? '?' : ''}`;

/** The key at the beginning of a line, and those that begin inside it. */
function keysIn({ score, harmony: { keys }, layout }: ChordsProps): {
  readonly first: KeySpan | null;
  readonly later: readonly KeySpan[];
} {
  const shown = score.bars.filter((bar) => layout.bars.has(bar.id)).map((bar): number => bar.index);
  const [from = 0] = shown;
  return {
    first: keys.find((k) => k.from <= from && k.to >= from) ?? null,
    later: keys.filter((k) => k.from > from && shown.includes(k.from)),
  };
}

/** What is said of a chord to who points at it or cannot see it. */
const inWords = (b: BeatChord, cadence: Cadence | undefined): string =>
  [
    withSigns(b.symbol),
    b.printed ? 'printed' : '',
    isUnsure(b) ? `unsure, or ${b.alternatives.map(withSigns).join(' or ')}` : '',
    cadence ? CLOSES[cadence.kind] : '',
    ...b.flags.filter((f) => !f.endsWith('-cadence')),
  ]
    .filter((part) => part !== '')
    .join(', ');

/** Chords where they change in a line, the first of the line always. */
function changesIn({ score, harmony: { beats }, layout }: ChordsProps): readonly BeatChord[] {
  return beats.filter((b, i) => {
    const before = beats[i - 1];
    const bar = score.bars[b.bar];
    return (
      b.symbol !== '' &&
      bar !== undefined &&
      layout.bars.has(bar.id) &&
      (before?.symbol !== b.symbol || !layout.bars.has(score.bars[before.bar]?.id ?? ''))
    );
  });
}

/** Pixels of the lane, and of a chord with its degree where chords stand under one another. */
const HEIGHT = 64;
const LEVEL = 42;

/** What is written under a chord: its degree, or what else it may be. */
const under = (b: BeatChord, others: boolean): string =>
  others && isUnsure(b) ? `or ${withSigns(b.alternatives[0] ?? '')}` : b.degree;

const widthOf = (b: BeatChord, others: boolean): number =>
  Math.max(textWidth(`${b.symbol}${isUnsure(b) ? ' ?' : ''}`), textWidth(under(b, others)));

/**
 * Chords where they change, with their degree; dominants and diminished ones stand out in weight, not in colour. What
 * is unsure stands in outline with a question mark.
 */
export function ChordLane(props: ChordsProps): ReactNode {
  const { score, harmony, onsets, layout, others } = props;
  const closes = new Map(harmony.cadences.map((c) => [c.onset, c] as const));
  const placed = changesIn(props).flatMap((b) => {
    const bar = score.bars[b.bar];
    const x = bar ? xOfOnset(b.onset, bar, onsets, layout) : null;
    return x === null ? [] : [{ b, x }];
  });
  const levels = staggered(placed.map(({ b, x }) => ({ x, width: widthOf(b, others) })));
  const { first, later } = harmony.untold ? { first: null, later: [] } : keysIn(props);
  return (
    <div
      className="relative border-t border-rule"
      style={{ height: HEIGHT + Math.max(0, ...levels) * LEVEL }}
      role="group"
      aria-label="Chords"
    >
      <span className="absolute -left-24 top-1.5 w-20 text-sm font-semibold text-ink-2">Chords</span>
      {first ? (
        <span className="absolute -left-24 top-7 w-20 text-sm leading-4 text-ink-2">{keyInWords(first)}</span>
      ) : null}
      {later.map((key) => {
        const box = layout.bars.get(score.bars[key.from]?.id ?? '');
        return box ? (
          <span
            key={`key ${key.from}`}
            className="absolute bottom-0.5 whitespace-nowrap text-sm leading-4 text-ink-2"
            style={{ left: box.x + KEY_INDENT }}
          >
            → {keyInWords(key)}
          </span>
        ) : null;
      })}
      {harmony.untold ? (
        <span className="absolute left-0 top-1.5 text-ink-2">A tune alone: no chords can be told from it.</span>
      ) : null}
      {placed.map(({ b, x }, i) => {
        const cadence = closes.get(b.onset);
        const unsure = isUnsure(b);
        const strong = b.flags.includes('dominant') || b.flags.includes('diminished');
        return (
          <span
            key={b.onset}
            className="absolute -translate-x-1/2 text-center leading-5"
            style={{ left: x, top: 4 + (levels[i] ?? 0) * LEVEL }}
            title={inWords(b, cadence)}
          >
            <span
              className={`block ${strong ? 'font-bold' : ''} ${unsure ? 'rounded border border-dashed border-ink-3 px-0.5' : ''}`}
            >
              {withSigns(b.symbol)}
              {unsure ? '?' : ''}
            </span>
            <span className="figure block whitespace-nowrap text-sm text-ink-2">{under(b, others)}</span>
            {cadence ? (
              <span className="block whitespace-nowrap text-sm leading-4 text-ink-2">{CLOSES[cadence.kind]}</span>
            ) : null}
          </span>
        );
      })}
    </div>
  );
}
