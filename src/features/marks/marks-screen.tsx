'use client';

import { useMemo, useRef, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { countStaff } from '@/core/rhythm';
import { barsText } from '@/core/sections';
import { pitchName, type Note, type Score } from '@/core/score';
import type { Mark } from '@/core/studio';
import { rowChange, useMarks, useStudio } from '@/store';
import { Button, CurveLane, Panel, TextLane, type CurvePoint, type DynamicLevel, type LaneText, type LineLayout } from '@/ui';
import { PieceStage, ScoreLines, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';

type Finger = Extract<Mark, { kind: 'finger' }>;
const LEVELS: readonly DynamicLevel[] = ['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff'];
const isLevel = (text: string): text is DynamicLevel => LEVELS.includes(text as DynamicLevel);

/** Fingers for one staff: the teacher's where there is one, else what is printed in the file. */
function fingerTexts(notes: readonly Note[], fingers: ReadonlyMap<string, Finger>, chosen: string | null): { texts: LaneText[]; rows: number } {
  const byOnset = new Map<number, Note[]>();
  for (const note of notes) byOnset.set(note.onset, [...(byOnset.get(note.onset) ?? []), note]);
  const texts: LaneText[] = [];
  let rows = 1;
  for (const group of byOnset.values()) {
    const highFirst = [...group].sort((a, b) => (b.midi ?? 0) - (a.midi ?? 0));
    rows = Math.max(rows, highFirst.length);
    highFirst.forEach((note, row) => {
      const own = fingers.get(note.id);
      const printed = note.marks.fingers[0];
      const text = own?.finger ?? printed ?? (note.id === chosen ? '·' : null);
      if (text) texts.push({ noteId: note.id, text, source: own ? own.source : 'printed', row, chosen: note.id === chosen });
    });
  }
  return { texts, rows };
}

/** The first note in time order under each onset, to hang counts on. */
function noteAtOnset(score: Score, from: number, to: number): ReadonlyMap<number, string> {
  const at = new Map<number, string>();
  for (const note of score.notes) if (note.bar >= from && note.bar <= to && note.grace === null && !at.has(note.onset)) at.set(note.onset, note.id);
  for (const rest of score.rests) if (rest.bar >= from && rest.bar <= to && !at.has(rest.onset)) at.set(rest.onset, rest.id);
  return at;
}

/** x of an onset in a line: the note there, or between its neighbours in proportion to time. */
function xOfOnset(onset: number, barId: string, barOnset: number, barLength: number, at: ReadonlyMap<number, string>, layout: LineLayout): number | null {
  const id = at.get(onset);
  const there = id ? layout.notes.get(id) : undefined;
  if (there) return there.x;
  const bar = layout.bars.get(barId);
  if (!bar) return null;
  const known = [...at].flatMap(([o, noteId]) => {
    const place = layout.notes.get(noteId);
    return place && o >= barOnset && o < barOnset + barLength ? [{ o, x: place.x }] : [];
  });
  const before = known.filter((k) => k.o < onset).sort((a, b) => b.o - a.o)[0] ?? { o: barOnset, x: bar.x + 8 };
  const after = known.filter((k) => k.o > onset).sort((a, b) => a.o - b.o)[0] ?? { o: barOnset + barLength, x: bar.x + bar.width };
  return before.x + ((after.x - before.x) * (onset - before.o)) / Math.max(1, after.o - before.o);
}

function Marking({ piece, score, section, sections }: PieceContext): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const loadedMarks = useMarks(piece.id);
  const marks = useMemo(() => loadedMarks ?? [], [loadedMarks]);
  const [noteId, setNoteId] = useState<string | null>(null);
  const cueInput = useRef<HTMLInputElement | null>(null);
  const dynamicInput = useRef<HTMLSelectElement | null>(null);
  const first = sections[0];
  const range: readonly [number, number] = section
    ? [section.from, section.to]
    : (where.bars ?? (first ? [first.from, first.to] : [0, Math.min(7, score.bars.length - 1)]));
  const [from, to] = range;
  const notes = useMemo(() => score.notes.filter((n) => n.bar >= from && n.bar <= to && n.grace === null), [score, from, to]);
  const note = notes.find((n) => n.id === noteId) ?? null;
  const fingers = useMemo(() => new Map(marks.flatMap((m) => (m.kind === 'finger' ? [[m.noteId, m] as const] : []))), [marks]);
  const dynamics = marks.flatMap((m) => (m.kind === 'dynamic' ? [m] : []));
  const cues = marks.flatMap((m) => (m.kind === 'cue' ? [m] : []));
  const part = score.parts[0];
  const staves = part?.staves ?? 1;
  const count = useMemo(() => (part ? countStaff(score, part.id, 1, from, to) : []), [score, part, from, to]);
  const onsets = useMemo(() => noteAtOnset(score, from, to), [score, from, to]);

  const base = { pieceId: piece.id, studentId: null, source: 'teacher' as const };
  const setFinger = async (finger: string): Promise<void> => {
    if (!note) return;
    const before = fingers.get(note.id) ?? null;
    await studio.commit(`finger ${finger}`, [
      rowChange('marks', before, { ...base, id: before?.id ?? studio.newId(), kind: 'finger', noteId: note.id, finger, updatedAt: studio.now() }),
    ]);
  };
  const clearFinger = async (): Promise<void> => {
    const before = note ? fingers.get(note.id) : undefined;
    if (before) await studio.commit('finger taken away', [rowChange('marks', before, null)]);
  };
  const setDynamic = async (level: string): Promise<void> => {
    if (!note) return;
    const before = dynamics.find((d) => d.noteId === note.id) ?? null;
    if (!isLevel(level)) {
      if (before) await studio.commit('dynamic taken away', [rowChange('marks', before, null)]);
      return;
    }
    await studio.commit(`dynamic ${level}`, [
      rowChange('marks', before, { ...base, id: before?.id ?? studio.newId(), kind: 'dynamic', noteId: note.id, level, updatedAt: studio.now() }),
    ]);
  };
  const setCue = async (text: string): Promise<void> => {
    if (!note) return;
    const before = cues.find((c) => c.noteId === note.id) ?? null;
    if (text.trim() === (before?.text ?? '')) return;
    await studio.commit('cue', [
      rowChange(
        'marks',
        before,
        text.trim() === '' ? null : { ...base, id: before?.id ?? studio.newId(), kind: 'cue', noteId: note.id, text: text.trim(), updatedAt: studio.now() },
      ),
    ]);
  };
  const step = (by: number): void => {
    const line = note ? notes.filter((n) => n.staff === note.staff && n.part === note.part) : notes;
    const at = note ? line.findIndex((n) => n.id === note.id) : -1;
    const next = line[note ? Math.max(0, Math.min(line.length - 1, at + by)) : 0];
    if (next) setNoteId(next.id);
  };
  const otherStaff = (by: number): void => {
    if (!note) return step(1);
    const other = notes.filter((n) => n.staff === note.staff + by && n.part === note.part);
    const near = other.reduce<Note | null>((best, n) => (best === null || Math.abs(n.onset - note.onset) < Math.abs(best.onset - note.onset) ? n : best), null);
    if (near) setNoteId(near.id);
  };
  useHotkeys(
    'right',
    (e) => {
      e.preventDefault();
      step(1);
    },
    { ignoreEventWhen: (e) => (e.target as Element).getAttribute('role') === 'listbox' },
  );
  useHotkeys(
    'left',
    (e) => {
      e.preventDefault();
      step(-1);
    },
    { ignoreEventWhen: (e) => (e.target as Element).getAttribute('role') === 'listbox' },
  );
  useHotkeys('down', (e) => {
    e.preventDefault();
    otherStaff(1);
  });
  useHotkeys('up', (e) => {
    e.preventDefault();
    otherStaff(-1);
  });
  useHotkeys('1, 2, 3, 4, 5, 0', (e) => void setFinger(e.key), { useKey: true });
  useHotkeys('backspace', () => void clearFinger());
  useHotkeys('c', (e) => {
    e.preventDefault();
    cueInput.current?.focus();
  });
  useHotkeys('d', (e) => {
    e.preventDefault();
    dynamicInput.current?.focus();
  });

  const printedDynamics: CurvePoint[] = score.directions.flatMap((d) => {
    if (d.kind !== 'dynamic' || !isLevel(d.level)) return [];
    const id = score.notes.find((n) => n.onset >= d.onset && n.part === d.part)?.id;
    return id ? [{ noteId: id, level: d.level, source: 'printed' as const }] : [];
  });
  const points: CurvePoint[] = [...printedDynamics, ...dynamics.map((d) => ({ noteId: d.noteId, level: d.level, source: d.source }))];
  const onsetOf = useMemo(() => new Map(score.notes.map((n) => [n.id, n.onset as number])), [score]);
  const chosen = useMemo(() => new Set(noteId ? [noteId] : []), [noteId]);
  const staffNotes = (staff: number): Note[] => notes.filter((n) => n.part === part?.id && n.staff === staff);

  const above = (layout: LineLayout): ReactNode => {
    const { texts, rows } = fingerTexts(
      staffNotes(1).filter((n) => layout.notes.has(n.id)),
      fingers,
      noteId,
    );
    return <TextLane name={staves > 1 ? 'Right hand' : 'Fingers'} layout={layout} texts={texts} rows={rows} onPick={setNoteId} large ruled={false} />;
  };
  const below = (layout: LineLayout): ReactNode => {
    const left = fingerTexts(
      staffNotes(2).filter((n) => layout.notes.has(n.id)),
      fingers,
      noteId,
    );
    const lineOnsets = [...layout.notes.keys()].flatMap((id) => onsetOf.get(id) ?? []);
    const start = Math.min(...lineOnsets);
    const before =
      [...points]
        .filter((p) => (onsetOf.get(p.noteId) ?? 0) < start)
        .sort((a, b) => (onsetOf.get(a.noteId) ?? 0) - (onsetOf.get(b.noteId) ?? 0))
        .pop() ?? null;
    return (
      <>
        {staves > 1 ? <TextLane name="Left hand" layout={layout} texts={left.texts} rows={left.rows} onPick={setNoteId} large ruled={false} /> : null}
        <div className="relative h-9 border-t border-rule" role="group" aria-label="Count">
          <span className="absolute -left-24 top-1.5 w-20 text-sm font-semibold text-ink-2">Count</span>
          {count.flatMap((barCount) => {
            const bar = score.bars[barCount.bar];
            if (!bar || !layout.bars.has(bar.id)) return [];
            return barCount.tokens.map((token) => {
              const x = xOfOnset(token.onset, bar.id, bar.onset, bar.length, onsets, layout);
              return x === null ? null : (
                <span
                  key={token.onset}
                  className={`figure absolute top-1.5 -translate-x-1/2 ${token.sounding ? 'text-ink' : 'text-ink-3'}`}
                  style={{ left: x }}
                >
                  {token.sounding ? token.text : `(${token.text})`}
                </span>
              );
            });
          })}
        </div>
        <CurveLane name="Dynamics" layout={layout} points={points} before={before} />
        <TextLane name="Cues" layout={layout} texts={cues.map((c) => ({ noteId: c.noteId, text: c.text, source: c.source }))} />
      </>
    );
  };
  const noteName = note?.pitch ? pitchName(note.pitch) : 'note';
  const cue = note ? (cues.find((c) => c.noteId === note.id) ?? null) : null;
  const dynamic = note ? (dynamics.find((d) => d.noteId === note.id) ?? null) : null;
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_17.5rem]">
      <Panel label="Music and marks">
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
          onNote={setNoteId}
          above={above}
          below={below}
        />
      </Panel>
      <Panel title={note ? `Note ${noteName}, bar ${score.bars[note.bar]?.number ?? ''}` : 'No note chosen'}>
        {note ? (
          <div className="grid gap-4">
            <div>
              <div className="flex items-baseline justify-between">
                <h3>Finger</h3>
                <span className="figure text-2xl font-bold text-plum">{fingers.get(note.id)?.finger ?? note.marks.fingers[0] ?? '–'}</span>
              </div>
              <p className="text-sm text-ink-2">
                {fingers.has(note.id) ? 'yours' : note.marks.fingers.length > 0 ? 'printed in the file' : 'none yet'}; type a digit or choose
              </p>
              <div className="mt-2 flex gap-1">
                {['1', '2', '3', '4', '5'].map((digit) => (
                  <Button key={digit} className="figure min-w-11" aria-pressed={fingers.get(note.id)?.finger === digit} onClick={() => void setFinger(digit)}>
                    {digit}
                  </Button>
                ))}
              </div>
            </div>
            <label>
              <h3>Dynamic here</h3>
              <select ref={dynamicInput} className="field mt-1 w-full" value={dynamic?.level ?? ''} onChange={(e) => void setDynamic(e.target.value)}>
                <option value="">none of yours</option>
                {LEVELS.map((level) => (
                  <option key={level} value={level}>
                    {level}
                  </option>
                ))}
              </select>
            </label>
            <label>
              <h3>Cue</h3>
              <input
                ref={cueInput}
                key={note.id}
                className="field mt-1 w-full bg-plum-wash font-semibold text-plum"
                defaultValue={cue?.text ?? ''}
                maxLength={500}
                placeholder="say it again next week"
                onBlur={(e) => void setCue(e.target.value)}
                onKeyDown={(e) => {
                  if (e.key === 'Enter') e.currentTarget.blur();
                }}
              />
            </label>
            <Button look="primary" onClick={() => step(1)} shortcut="→">
              Next note
            </Button>
          </div>
        ) : (
          <p className="text-lg text-ink-2">Click a note, or press the right arrow. Then a digit sets its finger.</p>
        )}
      </Panel>
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
