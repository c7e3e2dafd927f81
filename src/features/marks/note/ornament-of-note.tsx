import type { ReactNode } from 'react';
import { instrumentOf } from '@/core/instruments';
import type { RealisedOrnament } from '@/core/ornaments';
import type { TimedMusic } from '@/core/performance';
import { pitchName, spellMidi } from '@/core/score';
import { Button } from '@/ui';
import { notesAlone, usePlaying } from '@/features/sound';
import { SmallStaff } from '../small-staff';
import type { OfNote } from './of-note';

/** An ornament alone, at a tempo in quarters a minute. */
function ornamentAlone({ notes }: RealisedOrnament, tempo: number): TimedMusic {
  const seconds = (f: { readonly n: number; readonly d: number }): number => ((f.n / f.d) * 60) / tempo;
  const [start] = notes;
  return notesAlone(
    notes.map((n) => ({
      midi: n.midi,
      start: start ? seconds(n.onset) - seconds(start.onset) : 0,
      seconds: seconds(n.duration),
    })),
  );
}

/** The ornament at the note in hand: written out, in which style, and heard. */
export function OrnamentOfNote({ model, actions, note }: OfNote): ReactNode {
  const { play } = usePlaying();
  const ornament = model.marking?.ornaments.find((o) => o.noteId === note.id);
  if (!ornament) return null;
  const fifths = model.score.bars[note.bar]?.key.fifths ?? 0;
  const chosen = model.ornamentStyles.get(note.id) ?? model.ornamentStyle;
  return (
    <div>
      <h3>{ornament.kind.replace(/-/g, ' ')}</h3>
      <SmallStaff
        notes={ornament.notes.map((n) => ({ keys: [n.midi], duration: n.duration }))}
        fifths={fifths}
        label="The ornament written out"
      />
      <p className="figure">
        {ornament.notes.map((n) => pitchName(spellMidi(n.midi, fifths)).replace(/-?\d+$/, '')).join(' ')}
      </p>
      <p className="text-ink-2">
        {ornament.notesPerSecond.toFixed(1)} notes a second
        {ornament.tooFast ? ': too fast at this tempo for most hands; take measured or a slower tempo' : ''}
      </p>
      <div className="mt-1 flex flex-wrap gap-1">
        {(['early', 'late', 'measured'] as const).map((style) => (
          <Button
            key={style}
            aria-pressed={chosen === style}
            className={chosen === style ? 'bg-leaf-wash' : ''}
            onClick={() => actions.setOrnamentStyle(style)}
          >
            {style}
          </Button>
        ))}
        <Button onClick={() => play(ornamentAlone(ornament, model.tempo), () => instrumentOf(model.instrument).family)}>
          Hear it
        </Button>
      </div>
    </div>
  );
}
