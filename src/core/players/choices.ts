import { instrumentOf, type InstrumentId } from '../instruments';
import { pitchName, spellMidi, type Note, type Part, type Score } from '../score';
import { areTwoHands } from './keyboard-pair';
import { notesOfPart } from './notes-of-part';
import { partNames } from './part-names';
import { instrumentOfPart, type PartInstrument } from './part-instrument';
import { soundingScore, tablature } from './played';
import { LINES, playerKey, type Player } from './player';

/** One that a piece can be played by, as it is offered. */
export interface PlayerChoice {
  readonly player: Player;
  readonly key: string;
  /** In full: "Horns in F 1, 2, the lower notes". */
  readonly name: string;
  readonly told: PartInstrument;
  /** Sounding keys, lowest and highest; null without pitched notes. */
  readonly range: readonly [number, number] | null;
  /** The same as notes, spelled in the key of the piece: `E♭4 to B♭5`; empty without pitched notes. */
  readonly rangeText: string;
  /** Bars of the piece in which nothing is to be played. */
  readonly restBars: number;
  /** Where the first note is. */
  readonly firstBar: number;
  readonly notes: number;
}

/** Onsets with two notes before a staff counts as shared by two. */
const SHARED_FROM = 4;

const LINE_NAMES = { upper: 'the upper notes', lower: 'the lower notes' } as const;

/** Whether two players may share the staff: one that plays one note at a time has several to play. */
function isShared(part: Part, notes: readonly Note[], instrument: InstrumentId | null): boolean {
  if (part.staves !== 1) return false;
  const { family } = instrumentOf(instrument ?? 'other');
  if (family === 'keyboard' || family === 'fretted' || family === 'percussion') return false;
  const at = new Map<number, Set<number>>();
  for (const n of notes)
    if (n.midi !== null && n.grace === null && n.aside === null) {
      const there = at.get(n.onset);
      if (there) there.add(n.midi);
      else at.set(n.onset, new Set([n.midi]));
    }
  return [...at.values()].filter((keys) => keys.size > 1).length >= SHARED_FROM;
}

function choiceOf(
  score: Score,
  parts: readonly Part[],
  name: string,
  told: PartInstrument,
  line: Player['line'],
): PlayerChoice {
  const notes = parts.flatMap((p) => [...notesOfPart(score, p.id)]).filter((n) => n.aside === null);
  const keys = notes.flatMap((n) => (n.midi === null ? [] : [n.midi as number]));
  const range: PlayerChoice['range'] =
    keys.length > 0 ? [keys.reduce((a, b) => Math.min(a, b)), keys.reduce((a, b) => Math.max(a, b))] : null;
  const fifths = soundingScore(score).bars[0]?.key.fifths ?? 0;
  const player: Player = {
    parts: parts.map((p) => p.id),
    ...(line === undefined ? {} : { line }),
    ...(told.instrument === null ? {} : { instrument: told.instrument }),
  };
  return {
    player,
    key: playerKey(player),
    name: line === undefined ? name : `${name}, ${LINE_NAMES[line]}`,
    told,
    range,
    rangeText: (range ?? []).map((key) => pitchName(spellMidi(key, fifths))).join(' to '),
    restBars: score.bars.length - new Set(notes.map((n) => n.bar)).size,
    firstBar: notes[0]?.bar ?? 0,
    notes: notes.length,
  };
}

/** Parts that are one player's: the two hands of a keyboard, a notation with its tablature. */
function partsTogether(score: Score): readonly (readonly Part[])[] {
  const { beside } = tablature(score);
  const partOf = (key: string): string => key.slice(0, key.lastIndexOf(' '));
  const tabOf = new Map([...beside].map(([tab, notation]) => [partOf(tab), partOf(notation)]));
  const onlyTab = (p: Part): boolean => tabOf.has(p.id) && tabOf.get(p.id) !== p.id;
  const out: Part[][] = [];
  score.parts.forEach((part) => {
    if (onlyTab(part)) return;
    const before = out[out.length - 1];
    const hand = before?.length === 1 ? before[0] : undefined;
    if (before && hand && areTwoHands(score, hand, part)) before.push(part);
    else out.push([part, ...score.parts.filter((p) => onlyTab(p) && tabOf.get(p.id) === part.id)]);
  });
  return out;
}

const known = new WeakMap<Score, readonly PlayerChoice[]>();

/**
 * All that a piece can be played by, in the order of the score: each part, the two hands of a keyboard together, and
 * the two lines of a staff that is shared after the staff itself.
 *
 * @example playerChoices(scoreOf('C D E F|')).map((c) => c.key) // → ['P1']
 */
export function playerChoices(score: Score): readonly PlayerChoice[] {
  const there = known.get(score);
  if (there) return there;
  const names = partNames(score);
  const choices = partsTogether(score).flatMap((parts) => {
    const [part] = parts;
    if (!part) return [];
    const told = instrumentOfPart(score, part);
    const name = names.get(part.id) ?? part.id;
    const lines =
      parts.length === 1 && isShared(part, notesOfPart(score, part.id), told.instrument) ? LINES : ([] as const);
    return [undefined, ...lines].map((line) => choiceOf(score, parts, name, told, line));
  });
  known.set(score, choices);
  return choices;
}

const STUDENTS = /(?<!\p{L})(student|pupil|learner|schüler|schülerin|élève|allievo|alumno)(?!\p{L})/iu;
const TEACHERS =
  /(?<!\p{L})(teacher|tutor|lehrer|lehrerin|professeur|maître|maestro|insegnante|profesor|accompaniment|begleitung)(?!\p{L})/iu;

/**
 * Who a part is for, as far as its name says.
 *
 * @example whoByName('Teacher') // → 'teacher'
 */
export const whoByName = (name: string): 'student' | 'teacher' | null =>
  STUDENTS.test(name) ? 'student' : TEACHERS.test(name) ? 'teacher' : null;

/** Of parts that say whom they are for those of a student, else those that are not a teacher's. */
function forStudents(choices: readonly PlayerChoice[]): readonly PlayerChoice[] {
  const named = choices.filter((c) => whoByName(c.name) === 'student');
  const others = choices.filter((c) => whoByName(c.name) !== 'teacher');
  return named.length > 0 ? named : others.length > 0 ? others : choices;
}

/**
 * The one that a piece is usually played by: a student's part before a teacher's; whose part fits the instrument,
 * else the first with notes, else the first.
 *
 * @example usualChoice(scoreOf('z4|')).key // → 'P1'
 */
export function usualChoice(score: Score, instrument?: InstrumentId): PlayerChoice | null {
  const whole = playerChoices(score).filter((c) => c.player.line === undefined);
  const sounding = forStudents(whole.filter((c) => c.notes > 0));
  const fits = (c: PlayerChoice): boolean => c.told.instrument === instrument;
  return (
    (instrument === undefined
      ? undefined
      : (sounding.find((c) => fits(c) && c.told.sure) ??
        sounding.find(fits) ??
        sounding.find((c) => c.told.instrument === null))) ??
    sounding[0] ??
    whole[0] ??
    null
  );
}

/**
 * The player of a piece of which nothing is said: whose part fits the instrument, else the first with notes.
 *
 * @example usualPlayer(score, 'piano') // → { parts: ['P1'], instrument: 'piano' }
 */
export function usualPlayer(score: Score, instrument?: InstrumentId): Player {
  const usual = usualChoice(score, instrument)?.player ?? { parts: [score.parts[0]?.id ?? 'P1'] };
  return instrument === undefined ? usual : { ...usual, instrument };
}

/** The part of an id or of a number, counted from 1 in the order of the score. */
const partCalled = (score: Score, text: string): Part | undefined =>
  score.parts.find((p) => p.id === text) ?? (/^\d+$/.test(text) ? score.parts[Number(text) - 1] : undefined);

/** One part: itself where it is one hand of a keyboard, together with its notation where it is a tablature. */
function choiceOfPart(score: Score, part: Part, whole: readonly PlayerChoice[]): PlayerChoice | undefined {
  const choice = whole.find((c) => c.player.parts.includes(part.id));
  const [first, second] = (choice?.player.parts ?? []).map((id) => score.parts.find((p) => p.id === id));
  if (!choice || !first || !second || !areTwoHands(score, first, second)) return choice;
  return choiceOf(score, [part], partNames(score).get(part.id) ?? part.id, choice.told, undefined);
}

/** A choice that is called so, or whose name begins so. */
function choiceCalled(whole: readonly PlayerChoice[], wanted: string): PlayerChoice | undefined {
  const nameOf = (c: PlayerChoice): string => c.name.toLowerCase();
  if (wanted === '') return undefined;
  return whole.find((c) => nameOf(c) === wanted) ?? whole.find((c) => nameOf(c).startsWith(wanted));
}

/**
 * The choice that a text names: a part by its id or its number from 1, a player by what `read` lists (`P1+P2`), by name
 * or by the beginning of one; each with `:upper` or `:lower` behind it for one line of a shared staff. Null where it
 * names none.
 *
 * @example choiceNamed(scoreOf('C D E F|'), '1')?.key // → 'P1'
 */
export function choiceNamed(score: Score, text: string): PlayerChoice | null {
  const choices = playerChoices(score);
  const asIs = choices.find((c) => c.name.toLowerCase() === text.trim().toLowerCase());
  if (asIs) return asIs;
  const [, said = text, line] = /^(.*?)(?::\s*(upper|lower))?$/is.exec(text.trim()) ?? [];
  const whole = choices.filter((c) => c.player.line === undefined);
  const part = partCalled(score, said.trim());
  const found = part
    ? choiceOfPart(score, part, whole)
    : (whole.find((c) => c.key === said.trim()) ?? choiceCalled(whole, said.trim().toLowerCase()));
  if (!found) return null;
  if (line === undefined) return found;
  const player: Player = { ...found.player, line: line.toLowerCase() === 'upper' ? 'upper' : 'lower' };
  return (
    choices.find((c) => c.key === playerKey(player)) ?? {
      ...found,
      player,
      key: playerKey(player),
      name: `${found.name}, ${LINE_NAMES[player.line ?? 'upper']}`,
    }
  );
}
