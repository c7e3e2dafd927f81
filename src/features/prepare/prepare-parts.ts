import { minutesRange } from '@/core/ladder';
import { COUNTING } from '@/core/rhythm';
import { differencesInWords, movedInWords } from '@/core/sameness';
import { barsText } from '@/core/sections';
import { notFound, type Score } from '@/core/score';
import type { NewMark, Teaching } from '@/core/studio';
import type { Fingering } from '@/core/fingering';
import { shareInWords, type Way } from '@/core/way';
import type { Built } from '@/workers';
import { fingersOf } from '@/marked';
import { USUAL_BREATH, type Suggestion } from '@/features/marks';
import { shownOf, type Answer, type PieceContext } from '@/features/score';
import type { Stage } from '@/features/where';

export type PartKey = 'sections' | 'repeats' | 'corners' | 'fingers' | 'counts' | 'breaths' | 'dynamics' | 'way';

/** One line of the proposal: what it comes to, why, and where it is looked at closer. */
export interface Part {
  readonly key: PartKey;
  readonly title: string;
  /** What was found, in one line; null while it is being found. */
  readonly found: string | null;
  readonly why: string;
  readonly stage: Stage;
  /** How much of it can be taken; 0 where there is nothing, or where it is only to be known. */
  readonly takes: number;
}

const letters = (built: Built, score: Score): string =>
  built.sections.map((s) => `${s.letter || s.name} ${barsText(score, s.from, s.to)}`).join(', ');

function repeatsInWords(built: Built, score: Score): string {
  const [first, ...more] = built.repeats;
  if (!first) return notFound(score.bars, 'nothing comes again');
  const where = `${barsText(score, first.a[0], first.a[1])} → ${barsText(score, first.b[0], first.b[1])}`;
  const how =
    first.kind === 'moved' || first.kind === 'sequence'
      ? movedInWords(first)
      : first.kind === 'rhythm'
        ? 'the same rhythm'
        : differencesInWords(score, first);
  return `${where} ${how}${more.length > 0 ? `, and ${more.length} more` : ''}`;
}

function cornersInWords(built: Built, score: Score): string {
  const [first] = built.corners;
  if (!first) return notFound(score.bars, 'no bar stands out as harder than the rest');
  const name = (bar: number): string => score.bars[bar]?.name ?? '';
  const more = built.corners.slice(1, 4).map((c) => name(c.bar));
  const why = first.reasons[0]?.text ?? '';
  return `bar ${name(first.bar)}${why === '' ? '' : ` (${why})`}${more.length > 0 ? `, then ${more.join(', ')}` : ''}`;
}

const wayInWords = (way: Way): string => {
  const [low, high] = minutesRange(way.minutes);
  const half = way.steps.find((s) => s.chunk.kind !== 'join' && s.pays >= 0.5);
  return `${way.steps.length} steps, ${low} to ${high} minutes, about ${way.weeks} ${way.weeks === 1 ? 'week' : 'weeks'}${
    half ? `; ${shareInWords(half.pays)} known after ${half.chunk.name}` : ''
  }`;
};

const few = (n: number, one: string, none: string): string => (n === 0 ? none : `${n} ${one}${n === 1 ? '' : 's'}`);

/** What was worked out of a piece, as far as it is there. */
export interface FoundOfPiece {
  readonly built: Built | null;
  /** What is said where the form could not be found: the piece is too long. */
  readonly unknown: string | null;
  readonly fingering: Answer<Fingering>;
  readonly fingers: readonly NewMark[];
  readonly isMarked: boolean;
  readonly breaths: readonly Suggestion[];
  readonly dynamics: readonly Suggestion[];
  readonly way: Answer<Way>;
  readonly hasWay: boolean;
  readonly teaching: Teaching;
  readonly about: { readonly breathes: boolean };
}

function formParts({ score, sections }: PieceContext, { built, unknown }: FoundOfPiece): readonly Part[] {
  return [
    {
      key: 'sections',
      title: 'Sections',
      found: built ? letters(built, score) : unknown,
      why:
        sections.length > 0 ? `${sections.length} are kept already` : 'where printed signs, returns and phrases cut it',
      stage: 'sections',
      takes: built && sections.length === 0 ? built.sections.length : 0,
    },
    {
      key: 'repeats',
      title: 'Comes again',
      found: built ? repeatsInWords(built, score) : unknown,
      why: 'the first place is learned, the others follow it',
      stage: 'sections',
      takes: 0,
    },
    {
      key: 'corners',
      title: 'Corners',
      found: built ? cornersInWords(built, score) : unknown,
      why: 'looked at in the first lesson',
      stage: 'sections',
      takes: 0,
    },
  ];
}

function markParts({ piece, score }: PieceContext, found: FoundOfPiece): readonly Part[] {
  const { fingering, fingers, teaching, about, breaths, dynamics } = found;
  return [
    {
      key: 'fingers',
      title: 'Fingers',
      found:
        fingersOf(piece.instrument) === null
          ? 'this instrument has no fingers to write'
          : fingering.kind === 'asking'
            ? null
            : few(fingers.length, 'note', notFound(score.bars, 'all are there')),
      why: 'one fingering for everyone; how much of it is seen is set for each student',
      stage: 'marks',
      takes: fingers.length,
    },
    {
      key: 'counts',
      title: 'Counts',
      found: notFound(score.bars, COUNTING[teaching.counting].label),
      why: 'shown under the notes in Marks',
      stage: 'marks',
      takes: 0,
    },
    ...(about.breathes
      ? [
          {
            key: 'breaths' as const,
            title: 'Breaths',
            found: found.isMarked
              ? few(breaths.length, 'breath', notFound(score.bars, 'none is needed'))
              : found.unknown,
            why: `for a breath of ${USUAL_BREATH} seconds`,
            stage: 'marks' as const,
            takes: breaths.length,
          },
        ]
      : []),
    {
      key: 'dynamics',
      title: 'Dynamics',
      found: found.isMarked ? few(dynamics.length, 'mark', notFound(score.bars, 'all are there')) : found.unknown,
      why: 'from the line, what comes again and the harmony',
      stage: 'marks',
      takes: dynamics.length,
    },
  ];
}

function wayPart({ way, hasWay }: FoundOfPiece): Part {
  const proposedWay = shownOf(way);
  return {
    key: 'way',
    title: 'The way',
    found: proposedWay ? wayInWords(proposedWay) : way.kind === 'failed' ? way.issue.message : null,
    why: hasWay
      ? 'kept already; it is arranged in Ladder'
      : 'phrase by phrase from the start, what is the same drawn in',
    stage: 'ladder',
    takes: hasWay ? 0 : (proposedWay?.steps.length ?? 0),
  };
}

/** The proposal line by line, in the order in which a teacher looks at a piece. */
export const partsOf = (context: PieceContext, found: FoundOfPiece): readonly Part[] => [
  ...formParts(context, found),
  ...markParts(context, found),
  wayPart(found),
];
