import { useMemo, useRef, useState, type RefObject } from 'react';
import { recordLevel, tickRung } from '@/core/commands';
import { targetTempoFor } from '@/core/ladder';
import { instrumentOf } from '@/core/instruments';
import {
  askedFacets,
  heldSinceEarlier,
  proposeLevel,
  standingKey,
  startOfCopy,
  startOfReturn,
  tappedTempo,
} from '@/core/mastery';
import { nextRung } from '@/core/plan';
import { compareRanges } from '@/core/sameness';
import { inBeats, inQuarters, type TempoUnit } from '@/core/score';
import type { PlacedSection } from '@/core/sections';
import { tempoUnitOf, type Facet, type Level, type Section } from '@/core/studio';
import { HIGHEST, kindOf } from '@/core/way';
import { useMarks, useStudio } from '@/store';
import { tell, useActs } from '@/features/acts';
import type { PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { isHeard, tempoOf, type Draft } from './draft';
import { homeOf, proposedFacets } from './home-of';
import { useHearingKeys } from './use-hearing-keys';
import type { LessonModel } from './use-lesson';
import { useLiveDraft } from './use-live-draft';

export interface HearingContext extends PieceContext {
  readonly model: LessonModel;
}

const MOST_TAPS = 16;

/** Where a section may begin that was not listened to yet: as it fell since, or as a copy of one that is known. */
function startingLevel(
  { score, places, model }: HearingContext,
  placed: PlacedSection,
  now: string,
): { readonly level: Level; readonly why: string } | null {
  const standingOf = (id: string) => model.standings.get(standingKey(model.student.id, id));
  const standing = standingOf(placed.section.id);
  if (standing && standing.level !== null)
    return startOfReturn({ level: standing.level, at: standing.at }, standing.fading, now);
  const copied = placed.section.likeId ? places.find((p) => p.section.id === placed.section.likeId) : undefined;
  const of = copied ? standingOf(copied.section.id) : undefined;
  if (!copied || !of || of.level === null) return null;
  const { onlyA, onlyB } = compareRanges(score, [copied.from, copied.to], [placed.from, placed.to]);
  return startOfCopy(
    { name: copied.section.letter || copied.section.name, level: of.level },
    Math.max(onlyA.length, onlyB.length),
  );
}

/** What is proposed for the section on screen: from what was listened for, else where it may begin. */
function useProposal(context: HearingContext, placed: PlacedSection | null, draft: Draft | null) {
  const { piece, score, player, played, model } = context;
  const hasFingers = instrumentOf(player.instrument ?? piece.instrument).fingers !== null;
  const studio = useStudio();
  const marks = useMarks(piece.id);
  const now = studio.now();
  const standing = placed ? model.standings.get(standingKey(model.student.id, placed.section.id)) : undefined;
  const unit = tempoUnitOf(piece);
  // Tempos of a hearing are said in the beat of the piece, and kept in quarters.
  const target = inBeats(targetTempoFor(piece, model.student, score, placed?.from ?? 0), unit);
  const lastTempo = standing?.tempo == null ? null : inBeats(standing.tempo, unit);
  const asked = useMemo(
    () =>
      placed
        ? askedFacets(played, placed.from, placed.to, marks ?? [], model.teachingOf(piece), hasFingers)
        : new Set<Facet>(),
    [placed, played, marks, model, piece, hasFingers],
  );
  const home = useMemo(() => homeOf(model, placed?.section ?? null), [model, placed?.section]);
  const current = { lessonId: model.current?.id ?? null, now, zone: studio.zone };
  const heldBefore = heldSinceEarlier(standing?.hearings ?? [], current);
  const comesTo = (heard: Draft) =>
    proposeLevel({
      facets: heard.facets,
      tempo: tempoOf(heard) ?? lastTempo,
      target,
      asked,
      heldBefore,
    });
  const isTouched = draft !== null && (draft.touched || tempoOf(draft) !== null);
  const proposal = draft && isTouched ? comesTo(draft) : null;
  const start = placed ? startingLevel(context, placed, now) : null;
  return {
    now,
    marks,
    standing,
    home,
    proposedFacets: proposedFacets(home),
    unit,
    lastTempo,
    target,
    asked,
    comesTo,
    proposed: atMost(placed, proposal?.level ?? start?.level ?? null),
    why: proposal ? proposal.because : start ? `may start at ${start.level}: ${start.why}; a digit records it` : '',
  };
}

/** A chunk goes to joined; more is heard of the whole section. */
const atMost = (placed: PlacedSection | null, level: Level | null): Level | null =>
  placed && level !== null ? (Math.min(HIGHEST[kindOf(placed.section)], level) as Level) : level;

/** Choosing a level, as far as it goes. */
function picking(placed: PlacedSection | null, edit: (change: (d: Draft) => Draft) => void) {
  const highest = placed ? HIGHEST[kindOf(placed.section)] : HIGHEST.section;
  const pick = (level: Level): void => {
    if (level > highest) tell(`A chunk goes up to ${highest}: ${level} is heard of the whole section.`);
    else edit((d) => ({ ...d, level }));
  };
  return { highest, pick };
}

/** Sections on their way into the database: neither recorded nor open. */
function useStoring() {
  const [storing, setStoring] = useState<ReadonlySet<string>>(new Set());
  return {
    storing,
    begin: (id: string): void => setStoring((before) => new Set([...before, id])),
    end: (id: string): void => setStoring((before) => new Set([...before].filter((other) => other !== id))),
  };
}

/** Going from section to section of those to hear. */
function useGoing(
  { places, model }: HearingContext,
  live: ReturnType<typeof useLiveDraft>,
  isOver: (id: string) => boolean,
  leave: () => void,
) {
  const where = useWhere();
  const choose = (sectionId: string, pieceId: string): void => {
    leave();
    live.turnTo(sectionId);
    const there = places.find((p) => p.section.id === sectionId);
    where.change({ pieceId, sectionId, bars: there ? [there.from, there.to] : null });
  };
  const placeOf = (sectionId: string | null | undefined): number =>
    model.toHear.findIndex((t) => t.sectionId === sectionId);
  const nextAfter = (sectionId: string | null | undefined) =>
    model.toHear.slice(placeOf(sectionId) + 1).find((t) => !isOver(t.sectionId));
  return {
    choose,
    nextAfter,
    go: (by: 1 | -1): void => {
      const next = model.toHear[Math.max(0, Math.min(model.toHear.length - 1, placeOf(live.about()) + by))];
      if (next) choose(next.sectionId, next.pieceId);
    },
    goOn: (sectionId: string): void => {
      const following = nextAfter(sectionId);
      if (following) choose(following.sectionId, following.pieceId);
      else live.turnTo(sectionId);
    },
  };
}

/** The beat of a piece of the lesson. */
const unitOf = ({ pieces }: LessonModel, pieceId: string): TempoUnit =>
  tempoUnitOf(pieces.find((p) => p.id === pieceId));

/** What was typed, as it is kept. */
const inQuartersOr = (beats: number | null, unit: TempoUnit): number | null =>
  beats === null ? null : inQuarters(beats, unit);

/** One more tap; `found` is told the tempo once there are enough. */
function tapAt(taps: RefObject<number[]>, found: (tempo: number) => void): void {
  taps.current = [...taps.current, performance.now()].slice(-MOST_TAPS);
  const tempo = tappedTempo(taps.current);
  if (tempo !== null) found(tempo);
}

/** The ladder of what is heard, and its rungs ticked off in this lesson. */
function useRungs({ ladders, student }: LessonModel, section: Section | null, done: readonly string[]) {
  const { run } = useActs();
  const ladder = ladders.find((l) => l.sectionId === section?.id);
  const tick = (rungId: string): void => {
    if (section) run(tickRung, { studentId: student.id, sectionId: section.id, rungId, inLesson: true });
  };
  return {
    ladder,
    tick,
    /** The next rung is done. */
    threeInRow: (): void => {
      const rung = nextRung(ladder, done);
      if (rung) tick(rung.id);
    },
  };
}

/**
 * What is being heard: the section, what was heard of it so far, the level that comes to, and how it is recorded; with
 * the keys for it.
 */
export function useHearing(context: HearingContext) {
  const { sections, place: fromAddress, model } = context;
  const { run } = useActs();
  const { storing, begin, end } = useStoring();
  const taps = useRef<number[]>([]);
  const tempoInput = useRef<HTMLInputElement | null>(null);
  const noteInput = useRef<HTMLInputElement | null>(null);
  const placed = fromAddress ?? sections[0] ?? null;
  const section = placed?.section ?? null;
  const live = useLiveDraft(model, section?.id ?? null);
  const { draft, edit } = live;
  const { comesTo, ...about } = useProposal(context, placed, draft);
  const recorded = useMemo(() => new Set((model.current?.heard ?? []).map((e) => e.sectionId)), [model]);
  const isOver = (id: string): boolean => recorded.has(id) || storing.has(id);
  const { choose, go, goOn, nextAfter } = useGoing(context, live, isOver, () => {
    taps.current = [];
  });
  /** Records what was heard and goes on; where nothing was heard, it only goes on. */
  const record = (): void => {
    const heard = live.now();
    const row = model.sections.find((s) => s.id === heard?.sectionId);
    if (!heard || !row) return;
    goOn(row.id);
    if (!isHeard(heard)) return;
    // What is proposed on screen is about the section on screen.
    const proposed = row.id === section?.id ? atMost(placed, comesTo(heard).level) : null;
    const before = model.standings.get(standingKey(model.student.id, row.id))?.level ?? null;
    begin(row.id);
    run(
      recordLevel,
      {
        studentId: model.student.id,
        sectionId: row.id,
        lessonId: null,
        level: heard.level ?? proposed ?? before,
        proposed: heard.touched ? proposed : null,
        tempo: inQuartersOr(tempoOf(heard), unitOf(model, row.pieceId)),
        note: heard.note,
        facets: heard.touched ? heard.facets : null,
        errors: heard.errors,
        signs: heard.signs,
      },
      {
        stored: () => {
          end(row.id);
          live.settle(row.id);
        },
        refused: () => {
          end(row.id);
          // It is still to be heard: back to it, with everything that was typed.
          choose(row.id, row.pieceId);
        },
      },
    );
  };
  const tap = (): void => tapAt(taps, (tempo) => edit((d) => ({ ...d, tempo: String(tempo) })));
  const { highest, pick } = picking(placed, edit);
  const { ladder, tick, threeInRow } = useRungs(model, section, about.standing?.rungsDone ?? []);
  const atTarget = (): void => edit((d) => ({ ...d, tempo: String(about.target) }));
  useHearingKeys({ asked: about.asked, edit, pick, record, go, tap, threeInRow, atTarget, tempoInput, noteInput });
  return {
    ...about,
    placed,
    section,
    draft,
    tempoInput,
    noteInput,
    recorded,
    storing,
    heard: isHeard(draft),
    last: nextAfter(section?.id) === undefined,
    edit,
    choose,
    pick,
    record,
    tap,
    tick,
    highest,
    ladder,
    threeInRow,
    atTarget,
  };
}

export type HearingModel = ReturnType<typeof useHearing>;
