import type { ReactNode } from 'react';
import type { Student } from '@/core/studio';
import { Panel, PickOne } from '@/ui';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

interface Props {
  readonly student: Student;
  readonly onSave: (label: string, change: Partial<Student>) => void;
}

const inRange = (text: string, least: number, most: number): number | null => {
  const n = Number(text);
  return text.trim() !== '' && Number.isFinite(n) && n >= least && n <= most ? n : null;
};

/** Who the student is, as far as the tool needs it. */
export function StudentDetails({ student, onSave }: Props): ReactNode {
  const text = (label: string, value: string, save: (v: string) => void): ReactNode => (
    <label>
      <span className="text-ink-2">{label}</span>
      <input
        key={value}
        className="field w-full"
        maxLength={60}
        defaultValue={value}
        onBlur={(e) => e.target.value.trim() !== value && save(e.target.value.trim())}
      />
    </label>
  );
  const number = (label: string, value: number | null | undefined, least: number, most: number, save: (v: number | null) => void): ReactNode => (
    <label>
      <span className="text-ink-2">{label}</span>
      <input
        key={value ?? 'none'}
        className="field figure w-full"
        inputMode="decimal"
        defaultValue={value ?? ''}
        onBlur={(e) => {
          const n = inRange(e.target.value, least, most);
          if (n !== (value ?? null) && (n !== null || e.target.value.trim() === '')) save(n);
        }}
      />
    </label>
  );
  return (
    <Panel title="About">
      <div className="grid grid-cols-2 gap-2">
        {text('First name or initials', student.name, (name) => name !== '' && onSave('name changed', { name }))}
        {text('Instrument', student.instrument, (instrument) => onSave('instrument changed', { instrument }))}
        {text('Age', student.age, (age) => onSave('age changed', { age: age.slice(0, 20) }))}
        <PickOne
          stacked
          label="How far"
          value={student.level ?? 'intermediate'}
          choices={[
            ['beginner', 'beginner'],
            ['intermediate', 'some years'],
            ['advanced', 'advanced'],
          ]}
          onPick={(v) => onSave('level of the student', { level: v === 'beginner' || v === 'advanced' ? v : 'intermediate' })}
        />
        {number('Hand span, semitones', student.handSpanInSemitones, 3, 24, (n) => onSave('hand span', { handSpanInSemitones: n }))}
        {number('Breath, seconds', student.breathSpanInSeconds, 1, 60, (n) => onSave('breath span', { breathSpanInSeconds: n }))}
        {number('Lesson, minutes', student.lessonMinutes ?? 30, 10, 180, (n) => n !== null && onSave('length of the lesson', { lessonMinutes: Math.round(n) }))}
      </div>
      <fieldset className="mt-2">
        <legend className="text-ink-2">Minutes a day</legend>
        <div className="grid grid-cols-7 gap-1">
          {DAYS.map((d, i) => (
            <label key={d} className="text-center">
              <span className="text-sm text-ink-2">{d}</span>
              <input
                key={student.minutesPerDay[i]}
                className="field figure w-full px-1 text-center"
                inputMode="numeric"
                aria-label={`Minutes on ${d}`}
                defaultValue={student.minutesPerDay[i] ?? 0}
                onBlur={(e) => {
                  const n = inRange(e.target.value, 0, 600);
                  if (n !== null && n !== student.minutesPerDay[i])
                    onSave('minutes a day', { minutesPerDay: student.minutesPerDay.map((m, k) => (k === i ? Math.round(n) : m)) });
                }}
              />
            </label>
          ))}
        </div>
      </fieldset>
      <p className="mt-3 text-sm text-ink-2">No contact data are needed. Everything stays in this browser until you export it.</p>
    </Panel>
  );
}
