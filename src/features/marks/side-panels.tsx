import { useMemo, type ReactNode } from 'react';
import { countArticulations } from '@/core/articulation';
import { blockChords } from '@/core/harmony';
import { barsText } from '@/core/sections';
import { fraction } from '@/core/score';
import { Button, HandMap, Panel } from '@/ui';
import { playNotes } from '@/features/score';
import { ChordPanel } from './chord-panel';
import { fingersOf, stringNames } from './instrument';
import type { MarkActions } from './mark-actions';
import { SmallStaff } from './small-staff';
import { startMapOf } from './start-map';
import { USUAL_BREATH, type MarksModel } from './use-marks-model';

/** What belongs to the bars as a whole: where the hands begin, the chords, what is printed, the breaths. */
export function SidePanels({
  model,
  actions,
}: {
  readonly model: MarksModel;
  readonly actions: MarkActions;
}): ReactNode {
  const { score, notes, from, to, tempo, marking, blocked, setBlocked, instrument, student, fingering, startBar } =
    model;
  const startMap = startMapOf(model);
  const strings = fingersOf(instrument);
  const blocks = marking
    ? blockChords(marking.harmony.beats.filter((b) => b.bar >= from && b.bar <= Math.min(to, from + 3)))
    : [];
  const printedSigns = useMemo(() => countArticulations(score, from, to), [score, from, to]);
  /** Lead-sheet symbols of the file beside the chord that sounds, where they are not the same. */
  const differing = score.chords
    .filter((c) => c.bar >= from && c.bar <= to)
    .flatMap((c) => {
      const heard = marking?.harmony.beats.filter((b) => b.onset <= c.onset).pop();
      const plain = (text: string): string => text.replace(/\/.*$/, '');
      return heard && heard.symbol !== '' && plain(heard.symbol) !== plain(c.text)
        ? [`bar ${score.bars[c.bar]?.number ?? ''} ${c.text}, sounds ${heard.symbol}`]
        : [];
    })
    .slice(0, 6);
  return (
    <>
      {startMap ? (
        <Panel title="Where it starts">
          <HandMap drawing={startMap} />
          <Button look="quiet" className="mt-2" onClick={() => actions.offerFindRung()}>
            Make “find it again” a rung
          </Button>
        </Panel>
      ) : null}
      {marking ? (
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
              <Button
                className="mt-1"
                onClick={() => {
                  const factor = 60 / tempo / score.ticksPerQuarter;
                  const start = blocks[0]?.onset ?? 0;
                  playNotes(
                    blocks.flatMap((b) =>
                      b.keys.map((midi) => ({
                        midi,
                        start: (b.onset - start) * factor,
                        seconds: b.length * factor * 0.95,
                        loud: 0.4,
                      })),
                    ),
                  );
                }}
              >
                Hear them
              </Button>
            </>
          ) : (
            <p className="text-ink-2">One chord a beat, for the hand to find before playing as written.</p>
          )}
          {differing.length > 0 ? <p className="mt-2 text-warn">Printed otherwise: {differing.join('; ')}</p> : null}
        </Panel>
      ) : null}
      {printedSigns.length > 0 || notes.some((n) => n.marks.lyrics.length > 0) ? (
        <Panel title="Printed here">
          <p>{printedSigns.map((a) => `${a.times} ${a.sign}`).join(', ') || 'No articulation.'}</p>
          {notes.some((n) => n.marks.lyrics.length > 0) ? (
            <Button look="quiet" className="mt-1" onClick={() => actions.wordsFromLyrics()}>
              Count with the words of the song
            </Button>
          ) : null}
        </Panel>
      ) : null}
      {strings?.kind === 'fretted' ? (
        <ChordPanel score={score} from={from} to={to} strings={strings} names={stringNames(instrument)} />
      ) : null}
      {marking?.breaths ? (
        <Panel title="Breath spans">
          <p className="mb-1 text-ink-2">
            {student?.breathSpanInSeconds ?? USUAL_BREATH} s a breath{student ? ` for ${student.name}` : ''}, at {tempo}{' '}
            a minute
          </p>
          <ul>
            {marking.breaths.spans
              .filter((s) => s.toBar >= from && s.fromBar <= to)
              .map((s) => (
                <li key={s.from} className="flex justify-between border-t border-rule py-1 first:border-0">
                  <span>
                    bars <span className="figure">{barsText(score, s.fromBar, s.toBar)}</span>
                  </span>
                  <span className="figure">
                    {s.range ? `${s.range[0].toFixed(1)}–${s.range[1].toFixed(1)}` : s.seconds.toFixed(1)} s
                  </span>
                </li>
              ))}
          </ul>
          <p className="mt-2 text-ink-2">Dizzy from many full breaths? Pause and breathe normally.</p>
        </Panel>
      ) : null}
      {fingering?.warnings.some((w) => w.code === 'stretch') ? (
        <Panel title="Take care">
          <p>
            A stretch past the hand is never worth pain. Pain, numbness or tingling: stop, rest, and see a clinician who
            knows musicians.
          </p>
        </Panel>
      ) : null}
    </>
  );
}
