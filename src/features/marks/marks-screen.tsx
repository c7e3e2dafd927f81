'use client';

import { useMemo, useRef, type ReactNode } from 'react';
import { tieCounts } from '@/core/rhythm';
import { barsText } from '@/core/sections';
import { fractionText, perform } from '@/core/score';
import { useStudio } from '@/store';
import { Panel, Problem } from '@/ui';
import { useActs } from '@/features/acts';
import { PieceStage, playNotes, ScoreLines, type PieceContext } from '@/features/score';
import { CueBook } from './cue-book';
import { fingerAt } from './finger-view';
import { markActions } from './mark-actions';
import { markLanes } from './mark-lanes';
import { MarksToolbar } from './marks-toolbar';
import { NotePanel } from './note-panel';
import { SidePanels } from './side-panels';
import { SmallStaff } from './small-staff';
import { useMarksKeys } from './use-marks-keys';
import { useMarksModel } from './use-marks-model';

/** Name of the second reading of a phrase end. */
const SECOND = 'second';

function Marking(context: PieceContext): ReactNode {
  const studio = useStudio();
  const model = useMarksModel(context);
  const actions = markActions(model, useActs(), studio);
  const {
    piece,
    score,
    from,
    to,
    note,
    noteId,
    stretch,
    setNoteId,
    marks,
    marking,
    tempo,
    part,
    solver,
    about,
    wind,
    changedFingers,
    student,
  } = model;
  const {
    fingers,
    proposed,
    refused,
    dynamics,
    cues,
    words,
    ornamentStyles,
    here,
    fingering,
    forStudent,
    setForStudent,
    chosen,
  } = model;
  const stopPlaying = useRef<(() => void) | null>(null);
  const cueInput = useRef<HTMLInputElement | null>(null);
  const dynamicInput = useRef<HTMLSelectElement | null>(null);
  const ornament = note ? (marking?.ornaments.find((o) => o.noteId === note.id) ?? null) : null;
  const playOrnament = (): void => {
    const [start] = ornament?.notes ?? [];
    if (!ornament || !start) return;
    const seconds = (f: { readonly n: number; readonly d: number }): number => ((f.n / f.d) * 60) / tempo;
    playNotes(
      ornament.notes.map((n) => ({
        midi: n.midi,
        start: seconds(n.onset) - seconds(start.onset),
        seconds: seconds(n.duration),
      })),
    );
  };
  const play = (): void => {
    if (stopPlaying.current) {
      stopPlaying.current();
      return;
    }
    const played = perform(score, { order: score.bars.slice(from, to + 1).map((b) => b.index) });
    const factor = 60 / tempo / score.ticksPerQuarter;
    stopPlaying.current = playNotes(
      played.notes.map((n) => ({
        midi: n.midi,
        start: n.start * factor,
        seconds: n.length * factor,
        loud: n.velocity / 127,
      })),
      () => {
        stopPlaying.current = null;
      },
    );
  };
  useMarksKeys(model, actions, { cueInput, dynamicInput, play });
  const { above, below } = markLanes(model);
  const ties = useMemo(() => (part ? tieCounts(score, part.id, 1) : []), [score, part]);
  const tie = note ? ties.find((t) => t.noteId === note.id) : undefined;
  const phraseAt = (reading: string | undefined): string =>
    marks.flatMap((m) => (m.kind === 'phrase' && m.noteId === noteId && m.reading === reading ? [m.sign] : []))[0] ??
    '';
  const dynamic = note ? (dynamics.find((d) => d.noteId === note.id)?.level ?? '') : '';
  return (
    <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_18.5rem] print:block">
      <Panel label="Music and marks">
        <p className="print-only mb-2 text-xl font-semibold">
          {piece.title}, bars {barsText(score, from, to)}
          {student ? `, for ${student.name}` : ''}
        </p>
        <MarksToolbar model={model} actions={actions} />
        {model.problem ? <Problem>{model.problem.message}</Problem> : null}
        <ScoreLines
          piece={piece}
          score={score}
          from={from}
          to={to}
          label={`Bars ${barsText(score, from, to)}`}
          scale={66}
          gutter={100}
          withoutFingerings
          chosen={chosen}
          onNote={(id) => setNoteId(id)}
          above={above}
          below={below}
        />
        {(fingering?.warnings.length ?? 0) + (marking?.breaths?.warnings.length ?? 0) > 0 ? (
          <ul className="mt-3 grid gap-1 text-warn">
            {(fingering?.warnings ?? []).slice(0, 4).map((w) => (
              <li key={`${w.code} ${w.noteIds.join()}`}>{w.message}</li>
            ))}
            {(marking?.breaths?.warnings ?? [])
              .filter((w) => w.toBar >= from && w.fromBar <= to)
              .map((w) => (
                <li key={`breath ${w.fromBar}`}>{w.message}</li>
              ))}
          </ul>
        ) : null}
      </Panel>
      <div className="no-print flex flex-col gap-3">
        <NotePanel
          note={note}
          score={score}
          finger={note ? fingerAt(note, fingers, proposed, refused) : null}
          proposal={note ? (proposed.get(note.id) ?? null) : null}
          wind={wind}
          digits={solver === 'keyboard' ? ['1', '2', '3', '4', '5'] : ['0', '1', '2', '3', '4']}
          history={note ? (changedFingers?.get(note.id) ?? []) : []}
          dynamic={dynamic}
          cue={
            note
              ? (cues.find((c) => c.noteId === note.id && c.studentId === (forStudent && student ? student.id : null))
                  ?.text ?? '')
              : ''
          }
          word={note ? (words.get(note.id) ?? '') : ''}
          ornament={ornament}
          ornamentStyle={note ? (ornamentStyles.get(note.id) ?? model.ornamentStyle) : model.ornamentStyle}
          suggestions={here}
          stretch={stretch.length}
          micro={marks.flatMap((m) => (m.kind === 'micro' && m.noteId === noteId ? [m.sign] : []))[0] ?? null}
          onMicro={(s) => actions.setMicro(s)}
          onAcceptAll={() => actions.accept(here)}
          ownCues={model.settings?.ownCues ?? []}
          cueInput={cueInput}
          dynamicInput={dynamicInput}
          tie={tie ? `tied for ${fractionText(tie.beats)} beats, off on ${fractionText(tie.offOn)}` : null}
          phrase={note ? phraseAt(undefined) : ''}
          phraseToo={note ? phraseAt(SECOND) : ''}
          onPhrase={(sign, second) => actions.setPhrase(sign, second ? SECOND : undefined)}
          cueKey={note ? `cue ${piece.id} ${note.id} ${forStudent && student ? student.id : ''}` : ''}
          wordKey={note ? `word ${piece.id} ${note.id}` : ''}
          zone={studio.zone}
          forStudent={student ? { name: student.name, on: forStudent, set: setForStudent } : null}
          ornamentStaff={
            ornament ? (
              <SmallStaff
                notes={ornament.notes.map((n) => ({ keys: [n.midi], duration: n.duration }))}
                fifths={score.bars[note?.bar ?? 0]?.key.fifths ?? 0}
                label="The ornament written out"
              />
            ) : null
          }
          onOtherHand={solver === 'keyboard' ? () => actions.otherHand() : null}
          onFinger={(f) => actions.setFinger(f)}
          onClearFinger={() => actions.clearFinger()}
          onRefuseFinger={() => actions.refuseFinger()}
          onDynamic={(l) => actions.setDynamic(l)}
          onCue={(t, stored) => note && actions.setCue(note.id, t, stored)}
          onWord={(t, stored) => note && actions.setWord(note, t, stored)}
          onOrnamentStyle={(s) => actions.setOrnamentStyle(s)}
          onPlayOrnament={playOrnament}
          onAccept={(s) => actions.accept([s])}
          onRefuse={(s) => actions.refuse(s.key, `${s.text} refused`)}
        />
        <SidePanels model={model} actions={actions} />
        {about.technique === null ? null : <CueBook family={about.technique} />}
      </div>
    </div>
  );
}

export function MarksScreen(): ReactNode {
  return (
    <PieceStage heading="Marks" strip="compact">
      {(context) => <Marking {...context} />}
    </PieceStage>
  );
}
