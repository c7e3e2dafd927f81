'use client';

import { useState, type FormEvent, type ReactNode } from 'react';
import type { Student } from '@/core/studio';
import { rowChange, useStudio } from '@/store';
import { Button } from '@/ui';

/** A new student: a first name and an instrument are enough. */
export function AddStudent({ students }: { readonly students: readonly Student[] }): ReactNode {
  const studio = useStudio();
  const [name, setName] = useState('');
  const [instrument, setInstrument] = useState('piano');
  const add = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    if (name.trim() === '') return;
    const student: Student = {
      id: studio.newId(),
      name: name.trim(),
      instrument: instrument.trim() || 'piano',
      age: '',
      handSpanInSemitones: null,
      breathSpanInSeconds: null,
      minutesPerDay: [20, 20, 20, 20, 20, 0, 0],
      order: Math.max(0, ...students.map((s) => s.order)) + 1,
      updatedAt: studio.now(),
    };
    await studio.commit(`${student.name} added`, [rowChange('students', null, student)]);
    setName('');
  };
  return (
    <form className="flex flex-wrap items-end gap-2" onSubmit={(e) => void add(e)}>
      <label>
        <span className="block text-sm text-ink-2">First name or initials</span>
        <input className="field w-44" value={name} maxLength={60} onChange={(e) => setName(e.target.value)} />
      </label>
      <label>
        <span className="block text-sm text-ink-2">Instrument</span>
        <input className="field w-32" value={instrument} maxLength={60} onChange={(e) => setInstrument(e.target.value)} />
      </label>
      <Button type="submit" disabled={name.trim() === ''}>
        Add a student
      </Button>
    </form>
  );
}
