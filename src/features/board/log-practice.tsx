'use client';

import { useState, type FormEvent, type ReactNode } from 'react';
import type { Piece, Section, Student } from '@/core/studio';
import { eventAdded, useStudio } from '@/store';
import { Button } from '@/ui';

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
  const [tempo, setTempo] = useState('');
  const places = pieces.flatMap((p) => [
    [p.id, p.title] as const,
    ...sections
      .filter((s) => s.pieceId === p.id && s.parentId === null)
      .sort((a, b) => a.order - b.order)
      .map((s) => [`${p.id} ${s.id}`, `${p.title}, ${s.letter}`] as const),
  ]);
  const chosen = where || places[0]?.[0] || '';
  const n = Number(minutes);
  const add = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    const [pieceId, sectionId = null] = chosen.split(' ');
    if (!pieceId || !(n > 0 && n <= 600)) return;
    const at = studio.now();
    const bpm = Number(tempo);
    await studio.commit(`${student.name} practised ${n} minutes`, [
      eventAdded({
        id: studio.newId(),
        at,
        kind: 'practice',
        studentId: student.id,
        pieceId,
        sectionId,
        day: at.slice(0, 10),
        minutes: n,
        times: 0,
        tempo: bpm >= 10 && bpm <= 400 ? Math.round(bpm) : null,
        note: '',
      }),
    ]);
    setMinutes('');
    setTempo('');
  };
  if (places.length === 0) return null;
  return (
    <form className="mt-2 flex flex-wrap items-end gap-2" onSubmit={(e) => void add(e)}>
      <select className="field min-w-40 flex-1" aria-label="What was practised" value={chosen} onChange={(e) => setWhere(e.target.value)}>
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
        aria-label="Tempo reached"
        placeholder="tempo"
        value={tempo}
        onChange={(e) => setTempo(e.target.value)}
      />
      <Button type="submit" disabled={!(n > 0)}>
        Log
      </Button>
    </form>
  );
}
