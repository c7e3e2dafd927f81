'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { minutesRange } from '@/core/ladder';
import { TEACHING_QUESTIONS, type Student, type Teaching } from '@/core/studio';
import { isBehind, kindOf, shareInWords, type Way, type WalkedPlace } from '@/core/way';
import { Button, Choose, type DrawnGroup, Panel, WayDrawing, WayRow } from '@/ui';
import type { Answer } from '@/features/score';
import type { WayActions } from './way-actions';
import type { WayModel } from './use-way';

/** Up to so many places are all shown; of more only the section in hand is open. */
const MOST_OPEN = 40;

/** The section a place is listed under: itself, or the one it begins in. */
const groupOf = ({ section }: WalkedPlace): string =>
  kindOf(section) === 'section' ? section.id : kindOf(section) === 'piece' ? 'piece' : (section.parentId ?? 'between');

interface Props {
  readonly way: WayModel;
  readonly current: string | null;
  readonly student: Student | null;
  readonly order: Teaching['order'];
  readonly proposed: Answer<Way>;
  readonly actions: WayActions;
  readonly onOrder: (order: Teaching['order']) => void;
  readonly onChoose: (id: string) => void;
}

function useGroups({ way, current, student }: Pick<Props, 'way' | 'current' | 'student'>, opened: ReadonlySet<string>) {
  return useMemo((): readonly DrawnGroup[] => {
    const places = way.places ?? [];
    const levelAt = student ? way.levelAt(student.id) : () => null;
    const letters = new Map(way.placed.map((p) => [p.section.id, p.section.letter] as const));
    const runs: { readonly id: string; readonly from: number; readonly places: WalkedPlace[] }[] = [];
    places.forEach((place, i) => {
      const id = groupOf(place);
      const last = runs[runs.length - 1];
      if (last?.id === id) last.places.push(place);
      else runs.push({ id, from: i, places: [place] });
    });
    const inHand = runs.find((r) => r.places.some((p) => p.section.id === current));
    return runs.map((r): DrawnGroup => {
      const id = `${r.id} ${r.from}`;
      return {
        id,
        label: r.id === 'piece' ? '' : (letters.get(r.id) ?? ''),
        open: places.length <= MOST_OPEN || r === inHand || opened.has(id) || r.places.length === 1,
        places: r.places.map((p, k) => ({
          id: p.section.id,
          name: shortName(p, letters),
          kind: kindOf(p.section),
          bars: p.to - p.from + 1,
          pays: way.pays[r.from + k] ?? 0,
          done: student !== null && isBehind(p, levelAt) && p.aside !== 'skipped',
          aside: p.aside,
          own: p.section.own === true,
          chips: way.standing.get(p.section.id) ?? [],
        })),
      };
    });
  }, [way, current, student, opened]);
}

/** `1–2` for bars, `4 → 5` for joins, the letter of a section that is whole. */
function shortName({ section }: WalkedPlace, letters: ReadonlyMap<string, string>): string {
  switch (kindOf(section)) {
    case 'section':
      return `${letters.get(section.id) || section.name || 'section'} whole`;
    case 'join':
      return section.name.replace(' into ', ' → ');
    case 'chunk':
    case 'phrase':
      return section.name.replace(/^bars? /, '');
    case 'piece':
      return section.name.replace('the whole piece', 'the piece');
  }
}

/** What a proposed way comes to, in one line. */
function Summary({ way }: { readonly way: Way }): ReactNode {
  const [low, high] = minutesRange(way.minutes);
  const first = way.steps.find((s) => s.chunk.kind !== 'join' && s.pays >= 0.5);
  return (
    <p className="text-ink-2">
      {way.steps.length} steps, about {low} to {high} minutes
      {first ? `; ${shareInWords(first.pays)} of the piece is known after ${first.chunk.name}` : ''}.
    </p>
  );
}

/**
 * The chunks of the piece in the order in which they are learned: a path beside the music; on an upright tablet a row
 * above it, that opens.
 */
export function WayPanel(props: Props): ReactNode {
  const { way, current, onChoose } = props;
  const [isOpen, setIsOpen] = useState(false);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const groups = useGroups(props, opened);
  const open = (id: string): void => setOpened(new Set([...opened, id]));
  if (!way.places) return <WholeWay {...props} groups={groups} onOpen={open} />;
  return (
    <div className="flex min-w-0 flex-col gap-2">
      <section className="panel p-3 lg:hidden" aria-label="The way in a row">
        <div className="flex items-center gap-2">
          <div className="min-w-0 flex-1">
            <WayRow label="The way, first steps first" groups={groups} current={current} onChoose={onChoose} />
          </div>
          <Button aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
            {isOpen ? 'Fold' : 'Arrange'}
          </Button>
        </div>
      </section>
      <div className={isOpen ? '' : 'hidden lg:block'}>
        <WholeWay {...props} groups={groups} onOpen={open} />
      </div>
    </div>
  );
}

interface WholeProps extends Props {
  readonly groups: readonly DrawnGroup[];
  readonly onOpen: (groupId: string) => void;
}

function WholeWay(props: WholeProps): ReactNode {
  const { way, current, student, order, proposed, actions, onOrder, onChoose, groups, onOpen } = props;
  const schools = TEACHING_QUESTIONS.find((q) => q.key === 'order')?.schools ?? [];
  const fresh = proposed.kind === 'ready' ? proposed.value : null;
  const takeIt = (
    <>
      {proposed.kind === 'failed' ? <p className="text-warn">{proposed.issue.message}</p> : null}
      {proposed.kind === 'asking' ? (
        <p className="text-ink-2" role="status">
          Finding the way…
        </p>
      ) : null}
      {fresh ? <Summary way={fresh} /> : null}
    </>
  );
  return (
    <Panel
      title="The way"
      aside={
        way.places ? (
          <Button look="quiet" disabled={!fresh} onClick={() => fresh && actions.take(fresh)}>
            Propose anew
          </Button>
        ) : null
      }
    >
      <Choose
        place="stacked"
        label="In which order"
        value={order}
        choices={schools.map(([v, name]) => [String(v), name] as const)}
        onPick={(v) => onOrder((schools.find(([s]) => s === v)?.[0] ?? 'level') as Teaching['order'])}
      />
      {way.places === undefined ? null : way.places === null ? (
        <div className="mt-3 grid gap-2">
          <p className="text-lg">No way through this piece yet.</p>
          {takeIt}
          <Button look="primary" shortcut="p" disabled={!fresh} onClick={() => fresh && actions.take(fresh)}>
            Take the proposed way
          </Button>
        </div>
      ) : (
        <>
          {way.deviates && student ? (
            <p className="mt-2 flex flex-wrap items-center gap-2 text-slate">
              {student.name}’s own way.
              <Button look="quiet" onClick={() => actions.arrange({ kind: 'as-the-piece' })}>
                As for everyone
              </Button>
            </p>
          ) : null}
          <div className="mt-2 max-h-[min(34rem,44vh)] overflow-auto pr-1">
            <WayDrawing
              label="The way, from the bottom up"
              groups={groups}
              current={current}
              onChoose={onChoose}
              onOpen={onOpen}
              onMove={(sectionId, before) => actions.arrange({ kind: 'move', sectionId, before })}
            />
          </div>
          <p className="mt-2 text-sm text-ink-2">Right: how much of the piece is then known.</p>
        </>
      )}
    </Panel>
  );
}
