'use client';

import { useState, type ReactNode } from 'react';
import { cueFor, GESTURE_CUES, GESTURE_KINDS, type GestureKind, type PlayerFamily } from '@/core/articulation';
import type { Settings } from '@/core/studio';
import { freshSettings, rowChange, useSettings, useStudio } from '@/store';
import { Button, Panel } from '@/ui';

const NAMES: Readonly<Record<GestureKind, string>> = {
  'two-note-slur': 'Slur over two notes',
  'staccato-run': 'Short notes into a downbeat',
  wedge: 'Wedge',
  accent: 'Accent',
  sforzando: 'Sforzando',
  'soft-chord': 'Soft full chord',
  voicing: 'Tune on top of a chord',
};

/** What is said for each gesture on this kind of instrument, in the teacher's words, and sentences said often. */
export function CueBook({ family }: { readonly family: PlayerFamily }): ReactNode {
  const studio = useStudio();
  const settings = useSettings();
  const [open, setOpen] = useState(false);
  const own = settings?.gestureCues ?? {};
  const sentences = settings?.ownCues ?? [];
  const save = (label: string, change: Partial<Settings>): Promise<void> => {
    const after: Settings = { ...(settings ?? freshSettings(studio.now())), ...change, updatedAt: studio.now() };
    return studio.commit(label, [rowChange('settings', settings ?? null, after)]);
  };
  const setGesture = (kind: GestureKind, text: string): void => {
    const said = text.trim();
    if (said === cueFor(kind, family, own)) return;
    const key = `${kind} ${family}`;
    const rest = Object.fromEntries(Object.entries(own).filter(([k]) => k !== key));
    void save('words of a gesture', { gestureCues: said === '' || said === GESTURE_CUES[kind][family] ? rest : { ...rest, [key]: said } });
  };
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
              <input
                key={cueFor(kind, family, own)}
                className={`field w-full ${own[`${kind} ${family}`] ? 'text-plum' : ''}`}
                defaultValue={cueFor(kind, family, own)}
                maxLength={200}
                onBlur={(e) => setGesture(kind, e.target.value)}
                onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
              />
            </label>
          ))}
          <label>
            <span className="text-ink-2">Sentences I say often, one a line; they are offered when a cue is written</span>
            <textarea
              key={sentences.join('\n')}
              className="field w-full"
              rows={4}
              defaultValue={sentences.join('\n')}
              onBlur={(e) => {
                const list = e.target.value
                  .split('\n')
                  .map((l) => l.trim().slice(0, 200))
                  .filter((l) => l !== '');
                if (list.join('\n') !== sentences.join('\n')) void save('own sentences', { ownCues: list });
              }}
            />
          </label>
        </div>
      ) : (
        <p className="text-ink-2">Words for slurs, accents, chords on this instrument. They are ours until you put your own.</p>
      )}
    </Panel>
  );
}
