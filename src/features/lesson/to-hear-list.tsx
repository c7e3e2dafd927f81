import type { ReactNode } from 'react';
import { standingKey } from '@/core/mastery';
import type { ToHear } from '@/core/plan';
import { isSection } from '@/core/way';
import { agoInWords, dayOf } from '@/core/studio';
import { useStudio } from '@/store';
import { Panel, RungMark } from '@/ui';
import type { LessonModel } from './use-lesson';

const WHY: Readonly<Record<ToHear['state'], string>> = {
  assigned: 'given',
  'at-risk': 'at risk',
  due: 'due',
  next: 'next',
  new: 'new',
  fresh: '',
};

interface Props {
  readonly model: LessonModel;
  readonly sectionId: string | null;
  readonly recorded: ReadonlySet<string>;
  /** Their record is on its way into the database. */
  readonly storing: ReadonlySet<string>;
  readonly now: string;
  readonly onChoose: (item: ToHear) => void;
}

/** Whether an item begins another piece, or another section of it, than the one before it. */
const beginsPiece = (items: readonly ToHear[], i: number): boolean => items[i]?.pieceId !== items[i - 1]?.pieceId;

/** What to hear in this lesson, piece by piece and section by section, chunks under the section they lie in. */
export function ToHearList({ model, sectionId, recorded, storing, now, onChoose }: Props): ReactNode {
  const { zone } = useStudio();
  return (
    <Panel title="To hear">
      <ul className="flex gap-1 overflow-x-auto lg:block">
        {model.toHear.map((item, i) => {
          const section = model.sections.find((s) => s.id === item.sectionId);
          const around = model.sections.find((s) => s.id === item.under);
          const piece = model.pieces.find((p) => p.id === item.pieceId);
          const there = model.standings.get(standingKey(model.student.id, item.sectionId));
          const isCurrent = item.sectionId === sectionId;
          const heard = recorded.has(item.sectionId);
          const when = there && there.level !== null ? agoInWords(dayOf(there.at, zone), dayOf(now, zone)) : '';
          const isChunk = section !== undefined && !isSection(section);
          const showsLetter = !isChunk || model.toHear[i - 1]?.under !== item.under;
          return (
            <li key={item.sectionId} className="shrink-0 border-t border-rule">
              {model.pieces.length > 1 && beginsPiece(model.toHear, i) ? (
                <p translate="no" className="max-w-64 truncate pt-2 text-base font-semibold text-ink-2 lg:px-2">
                  {piece?.title}
                </p>
              ) : null}
              <button
                type="button"
                aria-pressed={isCurrent}
                className={`flex min-h-14 w-full items-center gap-2 border-l-4 px-2 py-1 text-left ${isCurrent ? 'border-l-acorn bg-acorn-wash' : 'border-l-transparent'}`}
                onClick={() => onChoose(item)}
              >
                <span className="min-w-8 text-xl font-semibold">
                  {showsLetter ? (isChunk ? around?.letter : section?.letter) : ''}
                </span>
                <span className="min-w-0 flex-1">
                  <span className="block font-semibold leading-snug">{section?.name || piece?.title}</span>
                  <span className="block leading-snug text-ink-2">
                    {storing.has(item.sectionId)
                      ? 'storing…'
                      : heard
                        ? 'heard today'
                        : [WHY[item.state], when].filter(Boolean).join(', ')}
                  </span>
                </span>
                <RungMark
                  level={there?.level ?? 0}
                  due={!heard && (item.state === 'due' || item.state === 'at-risk')}
                  overruled={there?.overruled ?? false}
                />
              </button>
            </li>
          );
        })}
      </ul>
    </Panel>
  );
}
