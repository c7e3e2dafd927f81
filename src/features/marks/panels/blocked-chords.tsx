import type { ReactNode } from 'react';
import { blockChords } from '@/core/harmony';
import { fraction } from '@/core/score';
import { Button, Panel } from '@/ui';
import { notesAlone, usePlaying } from '@/features/sound';
import { SmallStaff } from '../small-staff';
import type { MarksModel } from '../use-marks-model';

/** Bars whose chords fit beside the music. */
const BARS_BLOCKED = 4;
const MOST_DIFFERENCES = 6;

/** Printed symbols over notes that sound otherwise, each once. */
function printedOtherwise({ score, marking, from, to }: MarksModel): readonly string[] {
  const beats = marking?.harmony.beats ?? [];
  return beats
    .flatMap((b, i) => {
      const before = beats[i - 1];
      const first = before?.symbol !== b.symbol || before.heard !== b.heard;
      return b.heard !== null && first && b.bar >= from && b.bar <= to
        ? [`bar ${score.bars[b.bar]?.name ?? ''} ${b.symbol}, sounds ${b.heard}`]
        : [];
    })
    .slice(0, MOST_DIFFERENCES);
}

/** One chord a beat, for the hand to find before the music is played as written. */
export function BlockedChords({ model }: { readonly model: MarksModel }): ReactNode {
  const { score, from, to, tempo, marking, blocked, setBlocked, startBar } = model;
  const { play } = usePlaying();
  if (!marking) return null;
  const last = Math.min(to, from + BARS_BLOCKED - 1);
  const blocks = blockChords(marking.harmony.beats.filter((b) => b.bar >= from && b.bar <= last));
  const differing = printedOtherwise(model);
  const hear = (): void => {
    const factor = 60 / tempo / score.ticksPerQuarter;
    const start = blocks[0]?.onset ?? 0;
    play(
      notesAlone(
        blocks.flatMap((b) =>
          b.keys.map((midi) => ({
            midi,
            start: (b.onset - start) * factor,
            seconds: b.length * factor * 0.95,
            loud: 0.4,
          })),
        ),
      ),
      () => 'keyboard',
    );
  };
  return (
    <Panel
      title="Block the chords"
      aside={
        <Button look="quiet" aria-pressed={blocked} onClick={() => setBlocked(!blocked)}>
          {blocked ? 'Fold' : 'Show'}
        </Button>
      }
    >
      {blocked ? (
        <>
          <SmallStaff
            notes={blocks.map((b) => ({ keys: b.keys, duration: fraction(b.length, score.ticksPerQuarter) }))}
            fifths={startBar?.key.fifths ?? 0}
            label={`Chords: ${blocks.map((b) => b.symbol).join(', ')}`}
          />
          <p>{blocks.map((b) => b.symbol).join(' · ')}</p>
          <Button className="mt-1" onClick={hear}>
            Hear them
          </Button>
        </>
      ) : (
        <p className="text-ink-2">One chord a beat, for the hand to find before playing as written.</p>
      )}
      {differing.length > 0 ? <p className="mt-2 text-warn">Printed otherwise: {differing.join('; ')}</p> : null}
    </Panel>
  );
}
