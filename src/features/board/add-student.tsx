'use client';

import { useState, type FormEvent, type ReactNode } from 'react';
import { addStudent } from '@/core/commands';
import { Button } from '@/ui';
import { useActs } from '@/features/acts';

/** A new student: a first name and an instrument are enough. */
export function AddStudent(): ReactNode {
  const { run } = useActs();
  const [name, setName] = useState('');
  const [instrument, setInstrument] = useState('piano');
  const add = (event: FormEvent): void => {
    event.preventDefault();
    run(addStudent, { name, instrument }, { stored: () => setName('') });
  };
  return (
    <form className="flex flex-wrap items-end gap-2" onSubmit={add}>
      <label>
        <span className="block text-sm text-ink-2">First name or initials</span>
        <input className="field w-44" value={name} maxLength={60} onChange={(e) => setName(e.target.value)} />
      </label>
      <label>
        <span className="block text-sm text-ink-2">Instrument</span>
        <input
          className="field w-32"
          value={instrument}
          maxLength={60}
          onChange={(e) => setInstrument(e.target.value)}
        />
      </label>
      <Button type="submit" disabled={name.trim() === ''}>
        Add a student
      </Button>
    </form>
  );
}
