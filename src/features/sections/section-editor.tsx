import type { ReactNode } from 'react';
import type { PlacedSection } from '@/core/sections';
import type { Section } from '@/core/studio';
import { Button, Choose } from '@/ui';
import { KeptField } from '@/features/drafts';
import type { SectionActions } from './section-actions';

interface OfSection {
  readonly placed: PlacedSection;
  readonly actions: SectionActions;
}

const HANDS: readonly (readonly [Section['hand'], string])[] = [
  ['all', 'all'],
  ['right', 'right'],
  ['left', 'left'],
];

/** Letter and name of the chosen section, what it is like, what it is inside, and for which hand. */
export function SectionFields({
  placed,
  all,
  actions,
}: OfSection & { readonly all: readonly PlacedSection[] }): ReactNode {
  const { section } = placed;
  const others = all.filter((p) => p.section.id !== section.id);
  const nameOf = (p: PlacedSection): string => `${p.section.letter} ${p.section.name}`.trim();
  return (
    <>
      <div className="flex gap-2">
        <label className="w-20 text-sm text-ink-2">
          Letter
          <KeptField
            draftKey={`letter ${section.id}`}
            className="field w-full text-base text-ink"
            value={section.letter}
            maxLength={8}
            onKeep={(letter, stored) => actions.edit(placed, { letter }, stored)}
          />
        </label>
        <label className="flex-1 text-sm text-ink-2">
          Name
          <KeptField
            draftKey={`name ${section.id}`}
            className="field w-full text-base text-ink"
            value={section.name}
            maxLength={120}
            onKeep={(name, stored) => actions.edit(placed, { name }, stored)}
          />
        </label>
      </div>
      <div className="grid grid-cols-3 gap-2">
        <Choose
          label="Like"
          value={section.likeId ?? ''}
          choices={[['', 'nothing'], ...others.map((p) => [p.section.id, nameOf(p)] as const)]}
          onPick={(v) => actions.edit(placed, { likeId: v === '' ? null : v })}
          place="stacked"
        />
        <Choose
          label="Inside"
          value={section.parentId ?? ''}
          choices={[
            ['', 'the piece'],
            ...others.filter((p) => p.section.parentId === null).map((p) => [p.section.id, p.section.letter] as const),
          ]}
          onPick={(v) => actions.edit(placed, { parentId: v === '' ? null : v })}
          place="stacked"
        />
        <Choose
          label="Hand"
          value={section.hand}
          choices={HANDS}
          onPick={(v) => actions.edit(placed, { hand: HANDS.find(([hand]) => hand === v)?.[0] ?? 'all' })}
          place="stacked"
        />
      </div>
    </>
  );
}

/** What can be done to the chosen section: its ends moved, split, joined, compared, removed. */
export function SectionButtons({
  placed,
  like,
  actions,
  onCompare,
}: OfSection & {
  readonly like: PlacedSection | null;
  readonly onCompare: (other: PlacedSection) => void;
}): ReactNode {
  return (
    <div className="grid grid-cols-2 gap-1">
      <Button onClick={() => actions.move(-1, 0)} shortcut="[" aria-label="Begin one bar earlier">
        ◂ start
      </Button>
      <Button onClick={() => actions.move(1, 0)} shortcut="]" aria-label="Begin one bar later">
        start ▸
      </Button>
      <Button onClick={() => actions.move(0, -1)} shortcut="{" aria-label="End one bar earlier">
        ◂ end
      </Button>
      <Button onClick={() => actions.move(0, 1)} shortcut="}" aria-label="End one bar later">
        end ▸
      </Button>
      <Button onClick={() => actions.endByBeat(-1)} shortcut="," aria-label="End one beat earlier">
        ◂ end, a beat
      </Button>
      <Button onClick={() => actions.endByBeat(1)} shortcut="." aria-label="End one beat later">
        end, a beat ▸
      </Button>
      <Button onClick={() => actions.split()} shortcut="s">
        Split
      </Button>
      <Button onClick={() => actions.join()} shortcut="j">
        Join next
      </Button>
      {like ? (
        <>
          <Button onClick={() => onCompare(like)} shortcut="c">
            Beside {like.section.letter}
          </Button>
          <Button onClick={() => actions.carryMarks(like, placed)}>Carry its marks</Button>
        </>
      ) : null}
      <Button onClick={() => actions.remove()} shortcut="del">
        Remove
      </Button>
    </div>
  );
}
