'use client';

import type { ReactNode } from 'react';
import { passSeconds, targetTempoFor } from '@/core/ladder';
import { barsText, type PlacedSection } from '@/core/sections';
import { inBeats, inQuarters, type TempoUnit } from '@/core/score';
import { tempoUnitOf, type Rung } from '@/core/studio';
import { BeatSign, Button, LadderDrawing, Panel } from '@/ui';
import { KeptField } from '@/features/drafts';
import { MarkedMusic } from '@/features/marks';
import type { PieceContext } from '@/features/score';
import type { LadderModel } from './use-ladder';

const tempoText = ({ tempo, tempoTo }: Rung, unit: TempoUnit): string =>
  tempo === null
    ? ''
    : tempoTo === null
      ? String(inBeats(tempo, unit))
      : `${inBeats(tempo, unit)} → ${inBeats(tempoTo, unit)}`;

const isTempoOrNone = (text: string): boolean => text.trim() === '' || (Number(text) >= 10 && Number(text) <= 400);

/** Bars of music shown at most at a time. */
const MOST_BARS_SHOWN = 12;

/** Letter and name of a section, the name of a chunk. */
export const titleOf = ({ section }: PlacedSection): string => `${section.letter} ${section.name}`.trim();

interface Props {
  readonly context: PieceContext;
  readonly model: LadderModel;
  readonly inHand: PlacedSection;
  readonly current: string | null;
  readonly onRung: (id: string) => void;
  readonly onAdd: () => void;
}

function Target({ context: { piece, score }, model, inHand }: Pick<Props, 'context' | 'model' | 'inHand'>): ReactNode {
  const { student } = model;
  const unit = tempoUnitOf(piece);
  const own = student?.tempos?.[piece.id];
  const target = targetTempoFor(piece, student, score, inHand.from);
  return (
    <label className="flex items-center gap-1.5 text-ink-2">
      {own === undefined ? 'Target' : `${student?.name ?? ''}’s target`} <BeatSign unit={unit} />
      <KeptField
        draftKey={`target ${piece.id} ${student?.id ?? ''}`}
        className="field figure w-16 text-center text-ink"
        inputMode="numeric"
        value={String(inBeats(target, unit))}
        accepts={isTempoOrNone}
        wants="a number from 10 to 400"
        onKeep={(text, stored) => model.actions.setTarget(text === '' ? null : inQuarters(Number(text), unit), stored)}
      />
    </label>
  );
}

/** While technique settles one student is kept below a tempo; nothing said is no cap. */
function Cap({ context: { piece }, model }: Pick<Props, 'context' | 'model'>): ReactNode {
  const { student } = model;
  if (!student) return null;
  const unit = tempoUnitOf(piece);
  const cap = student.caps?.[piece.id];
  return (
    <label className="flex items-center gap-1.5 text-ink-2">
      for now not above
      <KeptField
        draftKey={`cap ${piece.id} ${student.id}`}
        label={`For now ${student.name} does not go above`}
        className="field figure w-16 text-center text-ink"
        inputMode="numeric"
        placeholder="–"
        value={cap === undefined ? '' : String(inBeats(cap, unit))}
        accepts={isTempoOrNone}
        wants="a number from 10 to 400, or nothing"
        onKeep={(text, stored) => model.actions.setCap(text === '' ? null : inQuarters(Number(text), unit), stored)}
      />
    </label>
  );
}

/** The rungs of what is in hand, climbed upwards. */
function Rungs({ context: { piece, score }, model, inHand, current, onRung }: Props): ReactNode {
  const { ladder, student, students, doneBy, actions } = model;
  if (!ladder)
    return (
      <div className="mt-3">
        <p className="text-lg text-ink-2">
          No ladder for bars {barsText(score, inHand.from, inHand.to)} yet. It is built from what they hold, lowest rung
          first; then change it as you like.
        </p>
        {model.way.places === null && sectionsKept(model) > 1 && model.ladders.length === 0 ? (
          <Button className="mt-2" onClick={() => actions.buildAll()}>
            Build all {sectionsKept(model)}
          </Button>
        ) : null}
      </div>
    );
  const unit = tempoUnitOf(piece);
  const climbed = student ? doneBy(student.id) : [];
  const standsOn = (studentId: string): string | null =>
    [...ladder.rungs].reverse().find((r) => doneBy(studentId).includes(r.id))?.id ?? null;
  const next = ladder.rungs.find((r) => !climbed.includes(r.id))?.id ?? null;
  const target = targetTempoFor(piece, model.student, score, inHand.from);
  const minutes = Math.round(ladder.rungs.reduce((sum, r) => sum + (r.minutes ?? 0), 0) * model.pace);
  return (
    <div className="mt-3 px-2">
      <LadderDrawing
        label={`Ladder of ${titleOf(inHand)}`}
        rungs={ladder.rungs.map((r) => ({
          id: r.id,
          what: r.what,
          hands: r.hands,
          tempo: tempoText(r, unit),
          times: `${r.times} ${r.times === 1 ? 'time' : 'times'}`,
          done: `done: ${r.done}`,
          climbed: climbed.includes(r.id),
          own: r.own,
          chips: student ? [] : students.filter((s) => standsOn(s.id) === r.id).map((s) => s.name),
        }))}
        current={current ?? next}
        onChoose={onRung}
        onTick={model.tick}
        onReorder={(ids) => actions.change(inHand, { kind: 'order', ids })}
      />
      <p className="mt-2 text-ink-2">
        About {minutes} minutes in all. One pass at {inBeats(target, unit)} <BeatSign unit={unit} />:{' '}
        {Math.round(passSeconds(score, inHand.from, inHand.to, target))} s.
      </p>
    </div>
  );
}

/** That a student's ladder is not everyone's, and what can be done about it. */
function OwnLadder({ model, inHand }: Props): ReactNode {
  const { ladder, student, actions } = model;
  if (ladder?.studentId === undefined || !student) return null;
  return (
    <p className="mt-3 flex flex-wrap items-center gap-2">
      <span className="font-semibold">{student.name}’s own ladder.</span>
      <Button onClick={() => actions.settle(inHand, 'as-the-piece')}>As everyone’s again</Button>
      <Button onClick={() => actions.settle(inHand, 'for-everyone')}>Make it everyone’s</Button>
    </p>
  );
}

/** Sections that are kept, chunks aside. */
const sectionsKept = (model: LadderModel): number =>
  model.way.placed.filter((p) => p.section.kind === undefined && p.section.parentId === null).length;

/** The music of what is in hand and, under it, its ladder. */
export function PlaceLadder(props: Props): ReactNode {
  const { context, model, inHand, onAdd } = props;
  const { score } = context;
  const last = Math.min(inHand.to, inHand.from + MOST_BARS_SHOWN - 1);
  return (
    <Panel
      title={titleOf(inHand)}
      aside={
        <span className="flex flex-wrap items-center gap-2">
          <Target {...props} />
          <Cap {...props} />
          {model.ladder ? (
            <>
              <Button onClick={() => model.actions.rebuild(inHand)}>Build anew</Button>
              <Button shortcut="n" onClick={onAdd}>
                Add a rung
              </Button>
            </>
          ) : (
            <Button look="primary" onClick={() => model.actions.build(inHand)}>
              Build the ladder
            </Button>
          )}
        </span>
      }
    >
      <MarkedMusic
        context={context}
        from={inHand.from}
        to={last}
        label={`Bars ${barsText(score, inHand.from, last)}`}
        scale={52}
      />
      {last < inHand.to ? (
        <p className="text-ink-2">
          The first {MOST_BARS_SHOWN} of {inHand.to - inHand.from + 1} bars.
        </p>
      ) : null}
      <OwnLadder {...props} />
      <Rungs {...props} />
    </Panel>
  );
}
