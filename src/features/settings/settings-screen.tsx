'use client';

import type { ReactNode } from 'react';
import { changeSettings, type SettingsChange } from '@/core/commands';
import { PAPERS, teachingFor } from '@/core/studio';
import { PAPER_NAMES } from '@/sheet';
import { useSettings } from '@/store';
import { Choose, NamedChoice, Panel } from '@/ui';
import { useActs } from '@/features/acts';
import { KeptField } from '@/features/drafts';
import { SoundChoices } from '@/features/sound';
import { TeachingChoices } from '@/features/teaching';
import { ZonePanel } from './zone-panel';

const TEXT_SIZES = [
  ['usual', 'as the browser has it'],
  ['large', 'larger'],
  ['largest', 'largest'],
] as const;

/** How large the text is, and what is printed on. */
function ReadingPanel({ set }: { readonly set: (label: string, change: SettingsChange) => void }): ReactNode {
  const settings = useSettings();
  return (
    <Panel title="Reading and paper">
      <Choose
        place="stacked"
        label="Size of the text"
        value={settings?.textSize ?? 'usual'}
        choices={TEXT_SIZES}
        onPick={(v) => set('size of the text', { textSize: v === 'large' || v === 'largest' ? v : 'usual' })}
      />
      <div className="mt-3">
        <NamedChoice
          place="stacked"
          label="Paper"
          value={settings?.paper ?? PAPERS[0]}
          of={PAPERS}
          names={PAPER_NAMES}
          onPick={(paper) => set('paper', { paper })}
        />
      </div>
      <p className="mt-2 text-sm text-ink-2">
        The music has sizes of its own, where it is. Movement follows what your system asks for.
      </p>
    </Panel>
  );
}

/** What holds in the whole studio. What a student or a piece has otherwise is said on the board and in Read. */
export function SettingsScreen(): ReactNode {
  const settings = useSettings();
  const { run } = useActs();
  const set = (label: string, change: SettingsChange, stored: () => void = () => undefined): void =>
    run(changeSettings, { change, label }, { stored });
  if (settings === undefined) return null;
  return (
    <div className="grid max-w-5xl gap-3 lg:grid-cols-2">
      <h1 className="lg:col-span-2">Settings</h1>
      <Panel title="The studio">
        <label className="block">
          <span className="text-ink-2">Its name</span>
          <KeptField
            draftKey="name of the studio"
            className="field w-full"
            maxLength={120}
            value={settings?.name ?? ''}
            onKeep={(name, stored) => set('name of the studio', { name: name.trim() }, stored)}
          />
        </label>
        <p className="mt-2 text-sm text-ink-2">It is in the studio file, so that you know it among others.</p>
      </Panel>
      <ZonePanel />
      <Panel title="Words">
        <div className="grid gap-3">
          <Choose
            place="stacked"
            label="Between two bar lines stands a"
            value={settings?.barWord ?? 'bar'}
            choices={[
              ['bar', 'bar'],
              ['measure', 'measure'],
            ]}
            asWritten
            onPick={(v) => set('word for a bar', { barWord: v === 'measure' ? 'measure' : 'bar' })}
          />
          <Choose
            place="stacked"
            label="Note values are called"
            value={settings?.noteNames ?? 'american'}
            choices={[
              ['american', 'quarter, eighth, half'],
              ['british', 'crotchet, quaver, minim'],
            ]}
            asWritten
            onPick={(v) => set('names of note values', { noteNames: v === 'british' ? 'british' : 'american' })}
          />
        </div>
      </Panel>
      <ReadingPanel set={set} />
      <Panel title="Sound">
        <SoundChoices />
      </Panel>
      <Panel title="How you teach" className="lg:col-span-2">
        <p className="mb-3 text-ink-2">
          Where teachers disagree. A student or a piece can have it otherwise, on the board and in Read.
        </p>
        <TeachingChoices
          own={settings?.teaching ?? {}}
          under={teachingFor()}
          underName="usual"
          onAnswer={(answer) => set('how it is taught', { answer })}
        />
      </Panel>
    </div>
  );
}
