import { Fragment, type ReactNode } from 'react';
import type { Note } from '@/core/score';
import type { Mark } from '@/core/studio';
import { CurveLane, isValveText, KeyLane, TextLane, type CurvePoint, type LaneText, type LineLayout } from '@/ui';
import { ChordLane, CountLane } from './count-lane';
import { fingerLane } from './finger-view';
import type { Suggestion } from './suggestions';
import { isDynamicLevel, type Lane, type MarksModel } from './use-marks-model';

/** What stands above and below each engraved line. */
export function markLanes(model: MarksModel): {
  readonly above: (layout: LineLayout) => ReactNode;
  readonly below: (layout: LineLayout) => ReactNode;
} {
  const { score, notes, noteId, setNoteId, marks, suggestions, dynamics, cues, words, counts, onsets, marking } = model;
  const { part, staves, view, fingers, proposed, refused, wind, solver, silent, shownSource, lanes, folded } = model;
  const staffOf = new Map(score.notes.map((n) => [n.id, n.staff as number]));
  const printedDynamics: CurvePoint[] = score.directions.flatMap((d) => {
    if (d.kind !== 'dynamic' || !isDynamicLevel(d.level)) return [];
    const id = score.notes.find(
      (n) => n.onset >= d.onset && n.part === d.part && (d.staff === null || n.staff === d.staff),
    )?.id;
    return id ? [{ noteId: id, level: d.level, source: 'printed' as const }] : [];
  });
  const points: CurvePoint[] = [
    ...printedDynamics,
    ...dynamics.map((d) => ({ noteId: d.noteId, level: d.level, source: d.source })),
    ...suggestions.flatMap((s) =>
      s.body.kind === 'dynamic' ? [{ noteId: s.noteId, level: s.body.level, source: 'suggested' as const }] : [],
    ),
  ];
  const laneTexts = (
    lane: Suggestion['lane'],
    own: (m: Mark) => string | null,
    kinds: readonly string[] = [],
  ): LaneText[] => [
    ...marks.flatMap((m) => {
      const text = 'noteId' in m ? own(m) : null;
      return text !== null && 'noteId' in m ? [{ noteId: m.noteId, text, source: m.source }] : [];
    }),
    ...suggestions.flatMap((s) =>
      s.lane === lane && (kinds.length === 0 || kinds.includes(s.body.kind))
        ? [{ noteId: s.noteId, text: s.text, source: 'suggested' as const }]
        : [],
    ),
  ];
  const printedBreaths: LaneText[] = notes.flatMap((n) =>
    n.marks.articulations.includes('breath-mark') ? [{ noteId: n.id, text: '’', source: 'printed' as const }] : [],
  );
  const onsetOf = new Map(score.notes.map((n) => [n.id, n.onset as number]));
  /**
   * A curve for each staff that has marks of its own; what is printed between two staves holds for both and is drawn
   * once.
   */
  const pointsOf = (staff: number): CurvePoint[] => points.filter((p) => (staffOf.get(p.noteId) ?? 1) === staff);
  const curves = staves > 1 && pointsOf(2).length > 0 ? [1, 2] : [0];
  const staffNotes = (staff: number): Note[] => notes.filter((n) => n.part === part?.id && n.staff === staff);
  const hasBreath =
    wind ||
    suggestions.some((s) => s.lane === 'phrase') ||
    marks.some((m) => m.kind === 'breath' || m.kind === 'phrase');

  const fingersOf = (staff: number, layout: LineLayout) =>
    fingerLane(
      staffNotes(staff).filter((n) => layout.notes.has(n.id)),
      view,
      fingers,
      proposed,
      refused,
      noteId,
    );
  const above = (layout: LineLayout): ReactNode => {
    const { texts, rows } = fingersOf(1, layout);
    if (wind && texts.some((t) => !isValveText(t.text)) && view !== 'boxes')
      return <KeyLane layout={layout} texts={texts} onPick={setNoteId} />;
    return (
      <TextLane
        name={staves > 1 ? 'Right hand' : wind ? 'Keys' : 'Fingers'}
        layout={layout}
        texts={texts}
        rows={rows}
        onPick={setNoteId}
        large={!wind}
        ruled={false}
      />
    );
  };
  const below = (layout: LineLayout): ReactNode => {
    const left = fingersOf(2, layout);
    const lineOnsets = [...layout.notes.keys()].flatMap((id) => onsetOf.get(id) ?? []);
    const start = Math.min(...lineOnsets);
    const inTime = (a: CurvePoint, b: CurvePoint): number =>
      (onsetOf.get(a.noteId) ?? 0) - (onsetOf.get(b.noteId) ?? 0);
    const curve = (staff: number): ReactNode => {
      const mine = (staff === 0 ? points : pointsOf(staff)).filter(
        (p) => shownSource === 'all' || p.source === shownSource,
      );
      const before =
        [...mine]
          .filter((p) => (onsetOf.get(p.noteId) ?? 0) < start)
          .sort(inTime)
          .pop() ?? null;
      return (
        <CurveLane
          key={staff}
          name={staff === 0 ? 'Dynamics' : staff === 1 ? 'Dynamics, right' : 'Dynamics, left'}
          layout={layout}
          points={mine}
          before={before}
        />
      );
    };
    const micros = laneTexts('dynamic', (m) => (m.kind === 'micro' ? m.sign : null), ['micro']);
    const wedges = laneTexts(
      'dynamic',
      (m) => (m.kind === 'wedge' ? (m.role === 'crescendo' ? 'cresc.' : 'dim.') : null),
      ['wedge'],
    );
    const only = (texts: readonly LaneText[]): readonly LaneText[] =>
      shownSource === 'all' ? texts : texts.filter((t) => t.source === shownSource);
    const bodies: Readonly<Record<Lane, ReactNode>> = {
      Count: <CountLane score={score} counts={counts} onsets={onsets} layout={layout} words={words} silent={silent} />,
      Dynamics: (
        <>
          {curves.map(curve)}
          {micros.length > 0 ? (
            <TextLane name="Own signs" layout={layout} texts={only(micros)} onPick={setNoteId} large ruled={false} />
          ) : null}
          {wedges.length > 0 ? (
            <TextLane name="Shape" layout={layout} texts={only(wedges)} onPick={setNoteId} ruled={false} />
          ) : null}
        </>
      ),
      Chords: marking ? (
        <ChordLane score={score} beats={marking.harmony.beats} onsets={onsets} layout={layout} />
      ) : null,
      'Breath and phrase': hasBreath ? (
        <>
          {wind ? (
            <TextLane
              name="Breath"
              layout={layout}
              texts={only([
                ...printedBreaths,
                ...laneTexts('breath', (m) => (m.kind === 'breath' ? (m.catch ? '(’)' : '’') : null)),
              ])}
              onPick={setNoteId}
              large
            />
          ) : null}
          <TextLane
            name="Phrase"
            layout={layout}
            texts={only(
              laneTexts('phrase', (m) =>
                m.kind === 'phrase' ? (m.reading === undefined ? m.sign : `or ${m.sign}`) : null,
              ),
            )}
            onPick={setNoteId}
            large
            ruled={!wind}
          />
        </>
      ) : null,
      Bowing:
        solver === 'bowed' ? (
          <TextLane
            name="Bowing"
            layout={layout}
            texts={only(laneTexts('bow', (m) => (m.kind === 'bow' ? (m.direction === 'down' ? '⊓' : '∨') : null)))}
            onPick={setNoteId}
          />
        ) : null,
      Cues: (
        <TextLane
          name="Cues"
          layout={layout}
          texts={only([
            ...cues.map((c) => ({ noteId: c.noteId, text: c.text, source: c.source })),
            ...suggestions.flatMap((x) =>
              x.lane === 'cue' ? [{ noteId: x.noteId, text: x.text, source: 'suggested' as const }] : [],
            ),
          ])}
          onPick={setNoteId}
        />
      ),
    };
    return (
      <>
        {staves > 1 ? (
          <TextLane
            name="Left hand"
            layout={layout}
            texts={left.texts}
            rows={left.rows}
            onPick={setNoteId}
            large
            ruled={false}
          />
        ) : null}
        {lanes.map((name) => (folded.has(name) ? null : <Fragment key={name}>{bodies[name]}</Fragment>))}
      </>
    );
  };
  return { above, below };
}
