'use client';

import { useState, type FormEvent, type ReactNode } from 'react';
import { inQuarters } from '@/core/score';
import { tempoUnitOf, type Piece, type Section, type Student } from '@/core/studio';
import { logPractice } from '@/core/commands';
import { isSection } from '@/core/way';
import { useStudio } from '@/store';
import { Button, Choose } from '@/ui';
import { useActs } from '@/features/acts';

/** Sections of a piece, and under each the chunks, joins and lines of its way. */
function placesOf(piece: Piece, rows: readonly Section[]): readonly (readonly [string, string])[] {
  const mine = rows.filter((s) => s.pieceId === piece.id).sort((a, b) => a.order - b.order);
  const nameOf = (s: Section): string => [s.letter, s.name].filter((x) => x !== '').join(' ');
  const sections = mine.filter((s) => isSection(s) && s.parentId === null);
  const inside = (id: string | null): readonly (readonly [string, string])[] =>
    mine.filter((s) => !isSection(s) && s.parentId === id).map((s) => [s.id, `\u2003${nameOf(s)}`] as const);
  return [...sections.flatMap((s) => [[s.id, nameOf(s)] as const, ...inside(s.id)]), ...inside(null)];
}

interface Props {
  readonly student: Student;
  readonly pieces: readonly Piece[];
  readonly sections: readonly Section[];
}

/** Practice at home, written down as it is told. */
export function LogPractice({ student, pieces, sections }: Props): ReactNode {
  const studio = useStudio();
  const [where, setWhere] = useState('');
  const [minutes, setMinutes] = useState('');
  const [times, setTimes] = useState('');
  const [tempo, setTempo] = useState('');
  const [day, setDay] = useState(studio.today());
  const { run } = useActs();
  const chosen = where || pieces[0]?.id || '';
  const n = Number(minutes);
  const add = (event: FormEvent): void => {
    event.preventDefault();
    const [pieceId, sectionId = null] = chosen.split(' ');
    if (!pieceId) return;
    const piece = pieces.find((p) => p.id === pieceId);
    const bpm = piece ? inQuarters(Number(tempo), tempoUnitOf(piece)) : 0;
    const repetitions = Number(times);
    run(
      logPractice,
      {
        studentId: student.id,
        pieceId,
        sectionId,
        day,
        minutes: n,
        times: repetitions >= 1 && repetitions <= 1000 ? repetitions : 0,
        tempo: bpm >= 10 && bpm <= 400 ? bpm : null,
        note: '',
      },
      {
        stored: () => {
          setMinutes('');
          setTimes('');
          setTempo('');
        },
      },
    );
  };
  if (pieces.length === 0) return null;
  return (
    <form className="mt-2 flex flex-wrap items-end gap-2" onSubmit={add}>
      <Choose
        place="alone"
        label="What was practised"
        value={chosen}
        choices={pieces.flatMap((piece) => [
          [piece.id, `${piece.title}, all of it`] as const,
          ...placesOf(piece, sections).map(([id, name]) => [`${piece.id} ${id}`, `\u2003${name}`] as const),
        ])}
        onPick={setWhere}
      />
      <input
        className="field figure w-20"
        inputMode="numeric"
        aria-label="Minutes practised"
        placeholder="min"
        value={minutes}
        onChange={(e) => setMinutes(e.target.value)}
      />
      <input
        className="field figure w-20"
        inputMode="numeric"
        aria-label="Repetitions"
        placeholder="times"
        value={times}
        onChange={(e) => setTimes(e.target.value)}
      />
      <input
        className="field figure w-20"
        inputMode="numeric"
        aria-label="Tempo reached"
        placeholder="tempo"
        value={tempo}
        onChange={(e) => setTempo(e.target.value)}
      />
      <input
        className="field"
        type="date"
        aria-label="Day it was practised"
        value={day}
        max={studio.today()}
        required
        onChange={(e) => setDay(e.target.value)}
      />
      <Button type="submit" disabled={!(n > 0)}>
        Log
      </Button>
    </form>
  );
}
