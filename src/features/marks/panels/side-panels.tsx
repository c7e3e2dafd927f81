import { useMemo, type ReactNode } from 'react';
import { countArticulations } from '@/core/articulation';
import { meterBeats } from '@/core/score';
import { barsText } from '@/core/sections';
import { Button, HandMap, Panel } from '@/ui';
import { fingersOf, stringNames } from '@/marked';
import { startMapOf } from '../start-map';
import type { MarksModel } from '../use-marks-model';
import { USUAL_BREATH } from '../usual-breath';
import { BlockedChords } from './blocked-chords';
import { ChordPanel } from './chord-panel';
import type { OfBars } from './of-bars';
import { StrumPanel } from './strum-panel';

function WhereItStarts({ model, actions }: OfBars): ReactNode {
  const startMap = startMapOf(model);
  if (!startMap) return null;
  return (
    <Panel title="Where it starts">
      <HandMap drawing={startMap} />
      <Button look="quiet" className="mt-2" onClick={() => actions.offerFindRung()}>
        Make “find it again” a rung
      </Button>
    </Panel>
  );
}

function PrintedHere({ model, actions }: OfBars): ReactNode {
  const { score, notes, from, to } = model;
  const signs = useMemo(() => countArticulations(score, from, to), [score, from, to]);
  const hasWords = notes.some((n) => n.marks.lyrics.length > 0);
  if (signs.length === 0 && !hasWords) return null;
  return (
    <Panel title="Printed here">
      <p>{signs.map((a) => `${a.times} ${a.sign}`).join(', ') || 'No articulation.'}</p>
      {hasWords ? (
        <Button look="quiet" className="mt-1" onClick={() => actions.wordsFromLyrics()}>
          Count with the words of the song
        </Button>
      ) : null}
    </Panel>
  );
}

function BreathSpans({ model }: Pick<OfBars, 'model'>): ReactNode {
  const { marking, student, tempo, score, from, to } = model;
  if (!marking?.breaths) return null;
  return (
    <Panel title="Breath spans">
      <p className="mb-1 text-ink-2">
        {student?.breathSpanInSeconds ?? USUAL_BREATH} s a breath{student ? ` for ${student.name}` : ''}, at {tempo} a
        minute
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
  );
}

/** Chords are blocked by hands that play them. */
const playsChords = ({ solver }: MarksModel): boolean => solver === 'keyboard' || solver === 'fretted';

/** What belongs to the bars as a whole: where the hands begin, the chords, what is printed, the breaths. */
export function SidePanels({ model, actions }: OfBars): ReactNode {
  const { score, from, to, instrument, fingering } = model;
  const strings = fingersOf(instrument, model.strings);
  const bar = score.bars[from];
  return (
    <>
      <WhereItStarts model={model} actions={actions} />
      {playsChords(model) ? <BlockedChords model={model} /> : null}
      <PrintedHere model={model} actions={actions} />
      {strings?.kind === 'fretted' ? (
        <ChordPanel
          score={score}
          from={from}
          to={to}
          strings={strings}
          names={stringNames(instrument, model.strings)}
        />
      ) : null}
      {model.about.strums && bar ? (
        <StrumPanel model={model} actions={actions} beats={meterBeats(bar.meter).length} />
      ) : null}
      <BreathSpans model={model} />
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
