'use client';

import { useState, type FormEvent, type ReactNode } from 'react';
import type { Piece, Section, Student } from '@/core/studio';
import { logPractice } from '@/core/commands';
import { useStudio } from '@/store';
import { Button } from '@/ui';
import { useActs } from '@/features/acts';

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
  const places = pieces.flatMap((p) => [
    [p.id, p.title] as const,
    ...sections
      .filter((s) => s.pieceId === p.id && s.parentId === null)
      .sort((a, b) => a.order - b.order)
      .map((s) => [`${p.id} ${s.id}`, `${p.title}, ${s.letter}`] as const),
  ]);
  const chosen = where || places[0]?.[0] || '';
  const n = Number(minutes);
  const add = (event: FormEvent): void => {
    event.preventDefault();
    const [pieceId, sectionId = null] = chosen.split(' ');
    if (!pieceId) return;
    const bpm = Number(tempo);
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
        tempo: bpm >= 10 && bpm <= 400 ? Math.round(bpm) : null,
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
  if (places.length === 0) return null;
  return (
    <form className="mt-2 flex flex-wrap items-end gap-2" onSubmit={add}>
      <select
        className="field min-w-40 flex-1"
        aria-label="What was practised"
        value={chosen}
        onChange={(e) => setWhere(e.target.value)}
      >
        {places.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
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
