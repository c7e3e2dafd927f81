'use client';

import { useState, type ReactNode } from 'react';
import { instrumentOf } from '@/core/instruments';
import { cautionsFor, densestQuarter, targetTempoFor, rungTempos } from '@/core/ladder';
import type { PlacedSection } from '@/core/sections';
import { inBeats, type Score } from '@/core/score';
import { tempoUnitOf, type Rung } from '@/core/studio';
import { barsInWords, kindOf, type WalkedPlace } from '@/core/way';
import { useStudio } from '@/store';
import { Button, Panel, TempoCurve } from '@/ui';
import { PieceStage, StripPanel, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { useKey } from '@/features/keys';
import { PlaceLadder } from './place-ladder';
import { PlacePanel } from './place-panel';
import { RungEditor } from './rung-editor';
import { StartsPanel } from './starts-panel';
import { UseAgainPanel } from './use-again-panel';
import { useLadder, type LadderModel } from './use-ladder';
import { WayPanel } from './way-panel';

/** A rung that the teacher begins to write. */
const freshRung = (id: string): Rung => ({
  id,
  kind: 'own',
  what: 'New rung',
  hands: '',
  tempo: null,
  tempoTo: null,
  times: 3,
  done: '3 in a row without a stop',
  why: 'yours',
  own: true,
});

/** Where a new chunk is put: behind the last small place of the way that ends where it does, or before. */
function placeBefore(places: readonly WalkedPlace[], to: number): string | null {
  const small = places.filter((p) => kindOf(p.section) !== 'piece' && kindOf(p.section) !== 'section' && p.to <= to);
  return small[small.length - 1]?.section.id ?? null;
}

/** The chunk that begins where a place ends, to be joined with it. */
function nextInPiece(places: readonly WalkedPlace[], place: WalkedPlace): WalkedPlace | null {
  if (kindOf(place.section) !== 'chunk') return null;
  return (
    places.find(
      (p) => kindOf(p.section) === 'chunk' && p.from === place.to + 1 && p.section.hand === place.section.hand,
    ) ?? null
  );
}

interface InHandProps {
  readonly context: PieceContext;
  readonly model: LadderModel;
  readonly inHand: PlacedSection;
  readonly rung: Rung | null;
}

/** The rung in hand, its tempo curve, and the cautions that its ladder gives reason for. */
function RungPanel({ context, model, inHand, rung }: InHandProps): ReactNode {
  const { piece, score, player, played } = context;
  const { ladder, pace, student, teaching, actions } = model;
  const target = targetTempoFor(piece, student, score, inHand.from);
  // Steps are taken on the metronome, which counts beats.
  const unit = tempoUnitOf(piece);
  const steps = rung
    ? (rungTempos(rung, { target, school: teaching.tempoSteps, unit, cap: student?.caps?.[piece.id] ?? null })?.map(
        (q) => inBeats(q, unit),
      ) ?? null)
    : null;
  const cautions = ladder
    ? cautionsFor(ladder.rungs, {
        wind: instrumentOf(player.instrument ?? piece.instrument).breathes,
        stretch: false,
        notesPerSecond: (densestQuarter(played, inHand.from, inHand.to) * target) / 60,
      })
    : [];
  return (
    <Panel title={rung ? 'This rung' : 'Choose a rung'}>
      {rung ? (
        <>
          <RungEditor
            key={rung.id}
            rung={rung}
            unit={unit}
            minutes={rung.minutes === undefined ? null : rung.minutes * pace}
            pacedBy={student && pace !== 1 ? student.name : null}
            onEdit={(change, stored) => actions.change(inHand, { kind: 'change', id: rung.id, change }, stored)}
            onRemove={() => actions.change(inHand, { kind: 'remove', id: rung.id })}
          />
          {steps ? (
            <div className="mt-3">
              <TempoCurve steps={steps} target={inBeats(target, unit)} />
            </div>
          ) : null}
        </>
      ) : (
        <p className="text-ink-2">Choose a rung to change it. Drag its handle, or Alt with ↑ and ↓, to move it.</p>
      )}
      {cautions.length > 0 ? (
        <ul className="mt-4 grid gap-1 border-t border-rule pt-3 text-sm text-warn">
          {cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      ) : null}
    </Panel>
  );
}

/** The bars chosen on the strip as a chunk of their own. */
function AddChunk({
  score,
  model,
  inHand,
}: {
  readonly score: Score;
  readonly model: LadderModel;
  readonly inHand: PlacedSection;
}): ReactNode {
  const { bars } = useWhere();
  const places = model.way.places ?? null;
  if (!places || !bars || (bars[0] === inHand.from && bars[1] === inHand.to)) return null;
  const [from, to] = bars;
  return (
    <Button
      onClick={() => model.wayActions.change({ kind: 'add', from, to, hand: 'all', behind: placeBefore(places, to) })}
    >
      Add {barsInWords(score, bars)} to the way
    </Button>
  );
}

/** Keys of the stage: the way and the ladder in hand. */
function useLadderKeys(model: LadderModel, add: () => void, rung: Rung | null): void {
  const { inHand, place, wayActions, proposed, way } = model;
  const aside = (as: 'later' | 'known' | 'skipped') => (): void => {
    if (place && place.aside === null) wayActions.arrange({ kind: 'aside', sectionId: place.section.id, as });
  };
  useKey('ladder.add', add);
  useKey('ladder.remove', () => {
    if (rung && inHand) model.actions.change(inHand, { kind: 'remove', id: rung.id });
  });
  useKey('ladder.take', () => {
    if (way.places === null && proposed.kind === 'ready') wayActions.take(proposed.value);
  });
  useKey('ladder.later', aside('later'));
  useKey('ladder.known', aside('known'));
  useKey('ladder.skip', aside('skipped'));
}

/** The way, the music and ladder, what is in hand; an exercise is one place, without a way. */
const FULL = 'lg:grid-cols-[22rem_minmax(0,1fr)_16rem]';
const SHORT = 'lg:grid-cols-[minmax(0,1fr)_16rem]';

function Climbing(context: PieceContext): ReactNode {
  const { piece, score, player, sections, section } = context;
  const where = useWhere();
  const studio = useStudio();
  const model = useLadder(context);
  const [current, setCurrent] = useState<string | null>(null);
  const { inHand, ladder, place } = model;
  const rung = ladder?.rungs.find((r) => r.id === current) ?? null;
  const add = (): void => {
    if (!ladder || !inHand) return;
    const fresh = freshRung(studio.newId());
    model.actions.change(inHand, { kind: 'add', rung: fresh, behind: rung?.id ?? null }, () => setCurrent(fresh.id));
  };
  useLadderKeys(model, add, rung);
  if (!inHand)
    return (
      <Panel title="No section yet">
        <p className="mb-3 text-lg text-ink-2">A way goes through sections. Make one first.</p>
        <Button look="primary" onClick={() => where.go('sections')}>
          Go to Sections
        </Button>
      </Panel>
    );
  const minutes = ladder ? ladder.rungs.reduce((sum, r) => sum + (r.minutes ?? 0), 0) * model.pace : null;
  return (
    <div className="flex flex-col gap-3">
      <StripPanel
        piece={piece}
        score={score}
        player={player}
        sections={sections}
        section={section}
        compact
        {...(model.paid ? { paid: model.paid } : {})}
      />
      <div className={`grid items-start gap-3 ${piece.exercise ? SHORT : FULL}`}>
        {piece.exercise ? null : (
          <WayPanel
            way={model.way}
            current={inHand.section.id}
            student={model.student}
            order={model.teaching.order}
            proposed={model.proposed}
            actions={model.wayActions}
            onOrder={model.setOrder}
            onChoose={model.choose}
          />
        )}
        <PlaceLadder
          context={context}
          model={model}
          inHand={inHand}
          current={current}
          onRung={setCurrent}
          onAdd={add}
        />
        <div className="flex flex-col gap-3">
          <AddChunk score={score} model={model} inHand={inHand} />
          {place ? (
            <PlacePanel
              score={score}
              place={place}
              next={nextInPiece(model.way.places ?? [], place)}
              student={model.student}
              minutes={minutes}
              actions={model.wayActions}
            />
          ) : null}
          <RungPanel context={context} model={model} inHand={inHand} rung={rung} />
          {piece.exercise ? null : <StartsPanel score={score} sections={sections} />}
          {ladder ? (
            <UseAgainPanel ladder={ladder} section={inHand} sections={sections} actions={model.actions} />
          ) : null}
        </div>
      </div>
    </div>
  );
}

export function LadderScreen(): ReactNode {
  return (
    <PieceStage heading="Ladder" strip="own">
      {(context) => <Climbing {...context} />}
    </PieceStage>
  );
}
