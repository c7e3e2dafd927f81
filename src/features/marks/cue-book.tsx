'use client';

import { useState, type ReactNode } from 'react';
import { cueFor, GESTURE_CUES, GESTURE_KINDS, type GestureKind } from '@/core/articulation';
import { changeSettings, type SettingsChange } from '@/core/commands';
import type { PlayerFamily } from '@/core/instruments';
import { clampText } from '@/core/studio';
import { useSettings } from '@/store';
import { Button, Panel } from '@/ui';
import { useActs } from '@/features/acts';
import { KeptField } from '@/features/drafts';

const NAMES: Readonly<Record<GestureKind, string>> = {
  'two-note-slur': 'Slur over two notes',
  'staccato-run': 'Short notes into a downbeat',
  wedge: 'Wedge',
  accent: 'Accent',
  sforzando: 'Sforzando',
  'soft-chord': 'Soft full chord',
  voicing: 'Tune on top of a chord',
};

const LONGEST_CUE = 200;

/** What is said for each gesture on this kind of instrument, in the teacher's words, and sentences said often. */
export function CueBook({ family }: { readonly family: PlayerFamily }): ReactNode {
  const { run } = useActs();
  const settings = useSettings();
  const [open, setOpen] = useState(false);
  const own = settings?.gestureCues ?? {};
  const sentences = settings?.ownCues ?? [];
  const save = (label: string, change: SettingsChange, settle: () => void): void =>
    run(changeSettings, { change, label }, { stored: settle });
  const setGesture = (kind: GestureKind, said: string, settle: () => void): void =>
    save(
      'words of a gesture',
      { gestureCue: [`${kind} ${family}`, said === GESTURE_CUES[kind][family] ? '' : said] },
      settle,
    );
  return (
    <Panel
      title="What I say"
      aside={
        <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Fold' : 'Change'}
        </Button>
      }
    >
      {open ? (
        <div className="grid gap-3">
          {GESTURE_KINDS.map((kind) => (
            <label key={kind}>
              <span className="text-ink-2">{NAMES[kind]}</span>
              <KeptField
                draftKey={`gesture ${kind} ${family}`}
                className={`field w-full ${own[`${kind} ${family}`] ? 'text-plum' : ''}`}
                value={cueFor(kind, family, own)}
                maxLength={LONGEST_CUE}
                onKeep={(said, settle) => setGesture(kind, said, settle)}
              />
            </label>
          ))}
          <label>
            <span className="text-ink-2">
              Sentences I say often, one a line; they are offered when a cue is written
            </span>
            <KeptField
              draftKey="sentences"
              className="field w-full"
              rows={4}
              value={sentences.join('\n')}
              onKeep={(text, settle) => {
                const lines = text.split('\n').map((l) => clampText(l.trim(), LONGEST_CUE));
                save('own sentences', { ownCues: lines.filter((l) => l !== '') }, settle);
              }}
            />
          </label>
        </div>
      ) : (
        <p className="text-ink-2">
          Words for slurs, accents, chords on this instrument. They are ours until you put your own.
        </p>
      )}
    </Panel>
  );
}
