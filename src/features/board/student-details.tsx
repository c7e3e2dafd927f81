import type { ReactNode } from 'react';
import type { StudentChange } from '@/core/commands';
import { instrumentName } from '@/core/instruments';
import type { Student } from '@/core/studio';
import { Choose, Panel } from '@/ui';
import { KeptField } from '@/features/drafts';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

interface Props {
  readonly student: Student;
  /** `stored` is called when it is kept. */
  readonly onSave: (label: string, change: StudentChange, stored?: () => void) => void;
}

const inRange = (text: string, least: number, most: number): number | null => {
  const n = Number(text);
  return text.trim() !== '' && Number.isFinite(n) && n >= least && n <= most ? n : null;
};

/** Who the student is, as far as the tool needs it. */
export function StudentDetails({ student, onSave }: Props): ReactNode {
  const text = (
    label: string,
    value: string,
    save: (v: string, stored: () => void) => void,
    accepts: (v: string) => boolean = () => true,
  ): ReactNode => (
    <label>
      <span className="text-ink-2">{label}</span>
      <KeptField
        draftKey={`${label} of ${student.id}`}
        className="field w-full"
        maxLength={60}
        value={value}
        accepts={accepts}
        wants="a name"
        onKeep={save}
      />
    </label>
  );
  const number = (
    label: string,
    value: number | null | undefined,
    least: number,
    most: number,
    save: (v: number | null, stored: () => void) => void,
  ): ReactNode => (
    <label>
      <span className="text-ink-2">{label}</span>
      <KeptField
        draftKey={`${label} of ${student.id}`}
        className="field figure w-full"
        inputMode="decimal"
        value={value === null || value === undefined ? '' : String(value)}
        accepts={(typed) => typed.trim() === '' || inRange(typed, least, most) !== null}
        wants={`a number from ${least} to ${most}`}
        onKeep={(typed, stored) => save(inRange(typed, least, most), stored)}
      />
    </label>
  );
  return (
    <Panel title="About">
      <div className="grid grid-cols-2 gap-2">
        {text(
          'First name or initials',
          student.name,
          (name, stored) => onSave('name changed', { name }, stored),
          (name) => name.trim() !== '',
        )}
        {text('Instrument', instrumentName(student), (instrument, stored) =>
          onSave('instrument changed', { instrument }, stored),
        )}
        {text('Age', student.age, (age, stored) => onSave('age changed', { age: age.slice(0, 20) }, stored))}
        <Choose
          place="stacked"
          label="How far"
          value={student.level ?? 'intermediate'}
          choices={[
            ['beginner', 'beginner'],
            ['intermediate', 'some years'],
            ['advanced', 'advanced'],
          ]}
          onPick={(v) =>
            onSave('level of the student', { level: v === 'beginner' || v === 'advanced' ? v : 'intermediate' })
          }
        />
        {number('Hand span, semitones', student.handSpanInSemitones, 3, 24, (n, stored) =>
          onSave('hand span', { handSpanInSemitones: n }, stored),
        )}
        {number('Breath, seconds', student.breathSpanInSeconds, 1, 60, (n, stored) =>
          onSave('breath span', { breathSpanInSeconds: n }, stored),
        )}
        {number('Lesson, minutes', student.lessonMinutes ?? 30, 10, 180, (n, stored) =>
          onSave('length of the lesson', { lessonMinutes: Math.round(n ?? 30) }, stored),
        )}
      </div>
      <fieldset className="mt-2">
        <legend className="text-ink-2">Minutes a day</legend>
        <div className="grid grid-cols-7 gap-1">
          {DAYS.map((d, i) => (
            <label key={d} className="text-center">
              <span className="text-sm text-ink-2">{d}</span>
              <KeptField
                draftKey={`minutes ${i} of ${student.id}`}
                className="field figure w-full px-1 text-center"
                inputMode="numeric"
                label={`Minutes on ${d}`}
                value={String(student.minutesPerDay[i] ?? 0)}
                accepts={(typed) => inRange(typed, 0, 600) !== null}
                wants="minutes from 0 to 600"
                onKeep={(typed, stored) =>
                  onSave('minutes a day', { minutesOn: [i, Math.round(inRange(typed, 0, 600) ?? 0)] }, stored)
                }
              />
            </label>
          ))}
        </div>
      </fieldset>
      <p className="mt-3 text-sm text-ink-2">
        No contact data are needed. Everything stays in this browser until you export it.
      </p>
    </Panel>
  );
}
