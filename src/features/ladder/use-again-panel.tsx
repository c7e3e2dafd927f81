'use client';

import { useState, type ReactNode } from 'react';
import type { PlacedSection } from '@/core/sections';
import type { Ladder } from '@/core/studio';
import { useTemplates } from '@/store';
import { Button, Choose, Panel } from '@/ui';
import type { LadderActions } from './ladder-actions';

interface Props {
  readonly ladder: Ladder;
  readonly section: PlacedSection;
  readonly sections: readonly PlacedSection[];
  readonly actions: LadderActions;
}

/** A ladder kept as a template, a template used here, own rungs shared with the other sections. */
export function UseAgainPanel({ ladder, section, sections, actions }: Props): ReactNode {
  const templates = useTemplates() ?? [];
  const [templateName, setTemplateName] = useState('');
  const others = sections.filter((p) => p.section.id !== section.section.id);
  const { id, likeId } = section.section;
  const copies = others.filter(
    (p) => p.section.likeId === id || p.section.id === likeId || (likeId !== null && p.section.likeId === likeId),
  );
  return (
    <Panel title="Use again">
      <form
        className="flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          const name = templateName.trim();
          if (name === '') return;
          actions.keepTemplate(section, name, () => setTemplateName(''));
        }}
      >
        <label className="min-w-0 flex-1">
          <span className="text-ink-2">Keep this ladder as a template</span>
          <input
            className="field w-full"
            placeholder="its name"
            value={templateName}
            maxLength={120}
            onChange={(e) => setTemplateName(e.target.value)}
          />
        </label>
        <Button type="submit" disabled={templateName.trim() === ''}>
          Keep
        </Button>
      </form>
      {templates.length > 0 ? (
        <div className="mt-2">
          <Choose
            place="stacked"
            label="Put a template’s rungs on top"
            value=""
            choices={[
              ['', 'choose one'],
              ...templates.map((t) => [t.id, `${t.name}, ${t.rungs.length} rungs`] as const),
            ]}
            onPick={(id) => {
              const template = templates.find((t) => t.id === id);
              if (template) actions.useTemplate(section, template);
            }}
          />
        </div>
      ) : null}
      {ladder.rungs.some((r) => r.own) && others.length > 0 ? (
        <div className="mt-2 flex flex-wrap gap-2">
          {copies.length > 0 && copies.length < others.length ? (
            <Button onClick={() => actions.shareOwn(section, copies)}>
              My own rungs in {copies.map((p) => p.section.letter || p.section.name).join(', ')} too
            </Button>
          ) : null}
          <Button onClick={() => actions.shareOwn(section, others)}>My own rungs in all other sections too</Button>
        </div>
      ) : null}
    </Panel>
  );
}
