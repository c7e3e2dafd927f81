'use client';

import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { atHome, homeByPlace, type PlaceAtHome } from '@/core/plan';
import { inBeats } from '@/core/score';
import { tempoUnitOf } from '@/core/studio';
import { counted } from '@/ui';
import { FromHomeButton } from '@/features/from-home';
import { PaperBoxes } from './paper-boxes';
import type { LessonModel } from './use-lesson';

/** What a place is called. */
function nameOf({ pieces, sections }: LessonModel, { pieceId, sectionId }: PlaceAtHome): string {
  const title = pieces.find((p) => p.id === pieceId)?.title;
  const section = sections.find((s) => s.id === sectionId);
  if (pieceId === null) return 'Tasks of no piece';
  return [title ?? 'A piece that is not here any more', section ? `${section.letter} ${section.name}`.trim() : '']
    .filter((s) => s !== '')
    .join(', ');
}

/** `9 of 12 right, 4 in a row, up to 66, 7 boxes`. */
function detailsOf({ pieces }: LessonModel, place: PlaceAtHome): string {
  const unit = tempoUnitOf(pieces.find((p) => p.id === place.pieceId));
  return [
    ...(place.judged > 0 ? [`${place.right} of ${place.judged} right`] : []),
    ...(place.row !== null && place.row > 1 ? [`${place.row} in a row`] : []),
    ...(place.fastest === null ? [] : [`up to ${inBeats(place.fastest, unit)}`]),
    ...(place.ticks > 0 ? [`${place.ticks} ${place.ticks === 1 ? 'box' : 'boxes'} ticked`] : []),
  ].join(', ');
}

/** On a small screen the music comes first. */
const isWide = (): boolean => window.matchMedia('(min-width: 64rem)').matches;

/** What was practised of each place, and what was written to it. */
function Places({ model }: { readonly model: LessonModel }): ReactNode {
  return (
    <ul className="min-w-0 flex-1">
      {homeByPlace(model.practised).map((place) => (
        <li key={`${place.pieceId ?? ''} ${place.sectionId ?? ''}`} className="flex flex-wrap gap-x-3">
          <span className="font-semibold">{nameOf(model, place)}</span>
          <span>
            {counted(place.minutes, 'minute')} on {counted(place.days, 'day')}
          </span>
          <span className="text-ink-2">{detailsOf(model, place)}</span>
          {place.notes.map((note) => (
            <span key={note} translate="no" className="basis-full italic">
              “{note}”
            </span>
          ))}
        </li>
      ))}
    </ul>
  );
}

/** What was practised at home since the last lesson, opened until this one has begun; and what came back brought in. */
export function AtHomePanel({
  model,
  opens,
}: {
  readonly model: LessonModel;
  /** It is open as the lesson begins. */
  readonly opens: boolean;
}): ReactNode {
  const home = atHome(model.practised);
  const [shown, setShown] = useState<boolean | null>(null);
  const open = shown ?? (opens && home !== null && model.current === null && isWide());
  return (
    <>
      <button
        type="button"
        aria-expanded={open}
        className="flex min-h-11 items-center gap-1 rounded px-1 text-base font-semibold text-slate hover:bg-slate-wash"
        onClick={() => setShown(!open)}
      >
        {home === null
          ? 'At home since: nothing noted'
          : `At home since: ${counted(home.minutes, 'minute')} on ${counted(home.days, 'day')}`}
        {open ? <ChevronUp size={18} aria-hidden="true" /> : <ChevronDown size={18} aria-hidden="true" />}
      </button>
      {open ? (
        <section
          aria-label="What happened at home"
          className="order-last flex max-h-[24vh] basis-full flex-wrap items-start gap-x-4 overflow-y-auto border-l-4 border-slate bg-slate-wash px-3 py-1 text-base"
        >
          {home === null ? (
            <p className="min-w-0 flex-1 py-2">Nothing is written down yet.</p>
          ) : (
            <Places model={model} />
          )}
          <span className="flex flex-wrap">
            <FromHomeButton big />
            <PaperBoxes model={model} />
          </span>
        </section>
      ) : null}
    </>
  );
}
