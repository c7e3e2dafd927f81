import { mergeLadder } from '../../ladder';
import { fail, ok, type Result } from '../../result';
import { moveEnds, placeSections, type PlacedSection } from '../../sections';
import {
  ladderFor,
  ladderPlayer,
  placeId,
  type Ladder,
  type Mark,
  type Piece,
  type Section,
  type StoredWay,
} from '../../studio';
import { barsInWords, isSection, kindOf } from '../../way';
import { command, put, remove, type Moment, type Outcome, type RowChange, type RowToPut } from '../command';
import { builtRungs, forEveryone, ladderRow, type LadderSetting } from '../ladder/ladder-context';
import { gone } from '../refusals';

export type PlaceEdit =
  /** Before a bar inside it: two places, one after the other. */
  | { readonly kind: 'split'; readonly sectionId: string; readonly at: number }
  /** With the place that comes right after it in the piece. */
  | { readonly kind: 'join'; readonly sectionId: string; readonly withId: string }
  | { readonly kind: 'ends'; readonly sectionId: string; readonly from: number; readonly to: number }
  | { readonly kind: 'name'; readonly sectionId: string; readonly name: string }
  /** Bars as indexes, both included; right behind a place of the way, at its beginning for null. */
  | {
      readonly kind: 'add';
      readonly from: number;
      readonly to: number;
      readonly hand: Section['hand'];
      readonly behind: string | null;
    }
  | { readonly kind: 'remove'; readonly sectionId: string };

export interface ChangePlace extends LadderSetting {
  readonly pieceId: string;
  readonly edit: PlaceEdit;
}

type Way = RowToPut<'ways'>;
type Row = RowToPut<'sections'>;

interface Now {
  readonly way: StoredWay;
  readonly placed: readonly PlacedSection[];
  readonly ladders: readonly Ladder[];
  readonly marks: readonly Mark[];
  readonly piece: Piece;
  readonly args: ChangePlace;
  readonly player: string | undefined;
  readonly moment: Moment;
}

const withSteps = (
  way: StoredWay,
  steps: NonNullable<StoredWay['steps']>,
  removed: readonly string[] = [],
): RowChange => put('ways', { ...way, steps, removed: [...new Set([...way.removed, ...removed])] } as Way);

/** A chunk of the teacher's at bars of the piece. */
function ownRow(
  { args: { pieceId, score }, placed, moment }: Now,
  from: number,
  to: number,
  hand: Section['hand'],
): Row | null {
  const [first, last] = [score.bars[from], score.bars[to]];
  if (!first || !last || to < from) return null;
  const parent = placed.find(
    (p) => isSection(p.section) && p.section.parentId === null && p.from <= from && p.to >= to,
  );
  return {
    id: placeId('chunk', pieceId, first.id, last.id, hand, moment.newId()),
    pieceId,
    kind: 'chunk',
    own: true,
    name: barsInWords(score, [from, to]),
    letter: '',
    fromBar: first.id,
    fromOffset: '0',
    toBar: last.id,
    toOffset: null,
    parentId: parent?.section.id ?? null,
    likeId: null,
    hand,
    order: from,
  };
}

/** A row at its bars and the ladder that fits them; where it had one, the teacher's changes of it stay. */
function withLadder({ args, player, piece, placed, ladders, marks, moment }: Now, row: Row): readonly RowChange[] {
  const [at] = placeSections(args.score, [{ ...row, updatedAt: moment.now }]);
  if (!at) return [put('sections', row)];
  const all = [...placed.filter((p) => p.section.id !== row.id), at];
  // A place is there for everyone who plays the part: so is its ladder.
  const before = ladderFor(ladders, row.id, player);
  const merged = mergeLadder(
    before?.rungs ?? [],
    before?.removed ?? [],
    builtRungs(piece, at, all, marks, forEveryone(args)),
  );
  return [put('sections', row), put('ladders', ladderRow(row, merged.rungs, before?.removed, { player }))];
}

/** A place that goes, with its ladders; what was heard of it stays in the records. */
const goes = ({ ladders }: Now, id: string): readonly RowChange[] => [
  remove('sections', id),
  ...ladders.filter((l) => l.sectionId === id).map((l) => remove('ladders', l.id)),
];

const outside = (): Result<never> => fail('place-outside', 'The piece has no such bars.');

function split(now: Now, at: PlacedSection, bar: number): Result<Outcome> {
  if (bar <= at.from || bar > at.to)
    return fail('place-one-bar', 'Choose a bar inside the chunk, not its first, to split before it.');
  const second = ownRow(now, bar, at.to, at.section.hand);
  const shorter = moveEnds(now.args.score, at.section, at.from, bar - 1);
  if (!second || !shorter.ok) return outside();
  const steps = (now.way.steps ?? []).flatMap((s) =>
    s.sectionId === at.section.id ? [s, { sectionId: second.id, why: 'yours' }] : [s],
  );
  const first: Row = { ...shorter.value, own: true, name: barsInWords(now.args.score, [at.from, bar - 1]) };
  return ok({
    label: 'chunk split',
    changes: [...withLadder(now, first), ...withLadder(now, second), withSteps(now.way, steps)],
    made: second.id,
  });
}

function join(now: Now, a: PlacedSection, b: PlacedSection): Result<Outcome> {
  const [first, second] = a.from <= b.from ? [a, b] : [b, a];
  if (second.from !== first.to + 1)
    return fail('place-no-neighbour', 'Only chunks that follow one another in the piece can be joined.');
  const longer = moveEnds(now.args.score, first.section, first.from, second.to);
  if (!longer.ok) return outside();
  const row: Row = { ...longer.value, own: true, name: barsInWords(now.args.score, [first.from, second.to]) };
  const steps = (now.way.steps ?? []).filter((s) => s.sectionId !== second.section.id);
  return ok({
    label: 'chunks joined',
    changes: [...withLadder(now, row), ...goes(now, second.section.id), withSteps(now.way, steps, [second.section.id])],
    made: row.id,
  });
}

function add(now: Now, edit: Extract<PlaceEdit, { kind: 'add' }>): Result<Outcome> {
  const row = ownRow(now, edit.from, edit.to, edit.hand);
  if (!row) return outside();
  const steps = [...(now.way.steps ?? [])];
  const at = edit.behind === null ? 0 : steps.findIndex((s) => s.sectionId === edit.behind) + 1;
  steps.splice(at, 0, { sectionId: row.id, why: 'yours' });
  return ok({
    label: 'chunk added',
    changes: [...withLadder(now, row), withSteps(now.way, steps)],
    made: row.id,
  });
}

function edited(now: Now, edit: Exclude<PlaceEdit, { kind: 'add' }>): Result<Outcome> {
  const at = now.placed.find((p) => p.section.id === edit.sectionId);
  if (!at) return gone('chunk');
  const isForm = isSection(at.section) && edit.kind !== 'remove';
  if (isForm) return fail('place-is-section', 'Sections are changed in Sections; the way follows them.');
  switch (edit.kind) {
    case 'split':
      return split(now, at, edit.at);
    case 'join': {
      const other = now.placed.find((p) => p.section.id === edit.withId);
      if (!other || isSection(other.section)) return gone('chunk');
      return join(now, at, other);
    }
    case 'ends': {
      const ends = moveEnds(now.args.score, at.section, edit.from, edit.to);
      if (!ends.ok) return ends;
      const row: Row = { ...ends.value, own: true, name: barsInWords(now.args.score, [edit.from, edit.to]) };
      return ok({ label: 'ends of a chunk', changes: withLadder(now, row) });
    }
    case 'name': {
      const name = edit.name.trim();
      if (name === '') return fail('no-name', 'A chunk needs a name.');
      return ok({ label: 'name of a chunk', changes: [put('sections', { ...at.section, own: true, name })] });
    }
    case 'remove': {
      const steps = (now.way.steps ?? []).filter((s) => s.sectionId !== edit.sectionId);
      const isRow = !isSection(at.section);
      return ok({
        label: `${kindOf(at.section) === 'join' ? 'join' : 'chunk'} taken off the way`,
        changes: [
          ...(isRow ? goes(now, edit.sectionId) : []),
          withSteps(now.way, steps, at.section.own === true ? [] : [edit.sectionId]),
        ],
      });
    }
  }
}

/** Splits, joins, moves, names, adds and takes away chunks of a way; what the teacher did stays with a new proposal. */
export const changePlace = command({
  asks: ({ pieceId }: ChangePlace) => ({
    pieces: { ids: [pieceId] },
    sections: { pieceId },
    ladders: { pieceId },
    marks: { pieceId },
    ways: { pieceId },
  }),
  run: (stored, args: ChangePlace, moment) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const player = ladderPlayer(piece, args.student ?? null);
    const way = stored.ways.find((w) => w.studentId === null && w.player === player);
    if (!way?.steps) return fail('no-way', 'There is no way through this piece yet: take the proposed one first.');
    const placed = placeSections(args.score, stored.sections);
    const { ladders, marks } = stored;
    const now: Now = { way, placed, ladders, marks, piece, args, player, moment };
    return args.edit.kind === 'add' ? add(now, args.edit) : edited(now, args.edit);
  },
});
