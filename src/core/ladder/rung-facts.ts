import type { MadeRung, RungKind, Teaching } from '../studio';
import type { SectionContent } from './section-content';

/**
 * What a ladder is for: a small chunk, a join, a phrase of known chunks, a section with all its steps, a section whose
 * chunks have ladders of their own, the same where it is a single phrase, the piece.
 */
export type LadderScope = 'unit' | 'join' | 'phrase' | 'section' | 'whole' | 'line' | 'piece';
export type StudentLevel = 'beginner' | 'intermediate' | 'advanced';
export const STUDENT_LEVELS: readonly StudentLevel[] = ['beginner', 'intermediate', 'advanced'];

/** All that the rules look at. Bars are indexes, tempos quarters a minute. */
export interface RungFacts {
  readonly scope: LadderScope;
  readonly content: SectionContent;
  readonly teaching: Teaching;
  readonly level: StudentLevel;
  /** Its hands play chords by symbol: their changes are practised without strumming. */
  readonly strums: boolean;
  /** Its player can look at the hands that play: a keyboard, strings. */
  readonly seesHands: boolean;
  /** It is the student's own voice. */
  readonly sings: boolean;
  /** Sticks have no fingers. */
  readonly strikes: boolean;
  /** Its player breathes between phrases. */
  readonly breathes: boolean;
  /** What one arm does by itself. */
  readonly stroke: 'bow' | 'strum' | null;
  /** A bar as it is said: `bar 6`, `the pick-up`. */
  readonly barOf: (bar: number) => string;
  readonly lastBar: number;
  readonly firstOfPiece: boolean;
  readonly lastOfPiece: boolean;
  readonly start: number;
  readonly target: number;
  readonly times: number;
  /** The teacher wrote dynamics or cues of their own here. */
  readonly ownDynamics: boolean;
}

/** A rung as a rule proposes it; `bars` are indexes where it is about some of the bars only. */
export interface ProposedRung extends MadeRung {
  readonly key: string;
  readonly kind: RungKind;
  readonly why: string;
  readonly bars: readonly [number, number] | null;
}

/** Done three times in a row. */
const THREE = '3 in a row without a stop';
/** When a rung counts as done: three in a row before going on, or once now and again tomorrow. */
export const doneBy = (f: RungFacts): string =>
  f.teaching.moveOn === 'gate' ? THREE : 'once through, then come back tomorrow';
/** Two hands that are learned apart first. */
export const handsApart = (f: RungFacts): boolean =>
  f.content.hands.length === 2 &&
  inScope(f, 'unit', 'section') &&
  f.teaching.hands === 'separate' &&
  !(f.scope === 'unit' && f.level === 'advanced');
/** Which hands a rung is for: both where there are two. */
export const both = (f: RungFacts): string => (f.content.hands.length === 2 ? 'both' : '');
/** Whether a ladder is for one of these; a section of one phrase is both that phrase and that section. */
export const inScope = (f: RungFacts, ...scopes: readonly LadderScope[]): boolean =>
  scopes.includes(f.scope) || (f.scope === 'line' && (scopes.includes('phrase') || scopes.includes('whole')));
/** A rung, with its kind as its key unless it says otherwise. */
export const one = (
  kind: RungKind,
  what: string,
  hands: string,
  tempo: number | null,
  times: number,
  done: string,
  why: string,
  more: Partial<Pick<ProposedRung, 'key' | 'bars' | 'tempoTo'>> = {},
): ProposedRung => ({
  key: more.key ?? kind,
  kind,
  what,
  hands,
  tempo,
  tempoTo: more.tempoTo ?? null,
  times,
  done,
  why,
  bars: more.bars ?? null,
});
