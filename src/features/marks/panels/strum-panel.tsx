import type { ReactNode } from 'react';
import { isStrumPattern, type MarkOf } from '@/core/studio';
import { Choose, Panel } from '@/ui';
import { KeptField } from '@/features/drafts';
import type { OfBars } from './of-bars';

/** Patterns that are often used, by the beats of the bar **[common practice]**. */
const USUAL: Readonly<Record<number, readonly string[]>> = {
  2: ['D D', 'D DU', 'DDU DDU', 'pim am-'],
  3: ['D D D', 'D DU DU', 'p im im'],
  4: ['D D D D', 'D DU D DU', 'D DU -U DU', 'p im am im'],
};

/** The strum or picking pattern from the first of the bars shown on. */
export function StrumPanel({ model, actions, beats }: OfBars & { readonly beats: number }): ReactNode {
  const { score, marks, from } = model;
  const bar = score.bars[from];
  if (!bar) return null;
  const there = marks.find((m): m is MarkOf<'strum'> => m.kind === 'strum' && m.barId === bar.id)?.pattern ?? '';
  const usual = USUAL[beats] ?? [];
  return (
    <Panel title="Strum">
      <label className="block">
        <span className="text-ink-2">From bar {bar.name}, a group a beat</span>
        <KeptField
          draftKey={`strum ${model.piece.id} ${bar.id}`}
          className="field figure w-full"
          maxLength={120}
          value={there}
          placeholder={usual[1] ?? 'D DU'}
          accepts={(text) => text.trim() === '' || isStrumPattern(text.trim())}
          wants="D and U for strokes, p i m a for fingers, - for none, a space between beats"
          onKeep={(text, stored) => actions.setStrum(bar.id, text.trim(), stored)}
        />
      </label>
      {usual.length > 0 ? (
        <div className="mt-2">
          <Choose
            place="alone"
            label="Often used"
            shown="Often used"
            value=""
            choices={usual.map((p) => [p, p] as const)}
            onPick={(pattern) => actions.setStrum(bar.id, pattern, () => undefined)}
          />
        </div>
      ) : null}
    </Panel>
  );
}
