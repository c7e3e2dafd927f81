import { useState, type ReactNode } from 'react';
import { putDownLesson } from '@/core/commands';
import type { Student } from '@/core/studio';
import { useStudio } from '@/store';
import { Button } from '@/ui';
import { useActs } from '@/features/acts';

const USUAL_CLOCK = '16:00';

/** A lesson that was and is put down afterwards, or one that was missed: the day, when it began, for how long. */
export function PutDownLesson({ student }: { readonly student: Student }): ReactNode {
  const studio = useStudio();
  const { run } = useActs();
  const [day, setDay] = useState(studio.today());
  const [clock, setClock] = useState(USUAL_CLOCK);
  const [missed, setMissed] = useState(false);
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        run(putDownLesson, { studentId: student.id, day, clock, minutes: null, missed });
      }}
    >
      <label>
        <span className="block text-ink-2">Day</span>
        <input
          className="field min-h-11"
          type="date"
          value={day}
          max={studio.today()}
          required
          onChange={(e) => setDay(e.target.value)}
        />
      </label>
      <label>
        <span className="block text-ink-2">Began at</span>
        <input
          className="field min-h-11"
          type="time"
          value={clock}
          required
          onChange={(e) => setClock(e.target.value)}
        />
      </label>
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="size-5 accent-leaf"
          checked={missed}
          onChange={(e) => setMissed(e.target.checked)}
        />
        it was missed
      </label>
      <Button type="submit" big>
        Put it down
      </Button>
    </form>
  );
}
