import type { ReactNode } from 'react';
import { TEACHING_QUESTIONS, type Teaching, type TeachingAnswer } from '@/core/studio';

interface Props {
  /** What is chosen here; what is absent comes from `under`. */
  readonly own: Partial<Teaching>;
  readonly under: Teaching;
  /** Who decides where nothing is chosen here. */
  readonly underName: string;
  readonly onAnswer: (answer: TeachingAnswer) => void;
}

/** One choice a question; nothing chosen leaves it to the one above. */
export function TeachingChoices({ own, under, underName, onAnswer }: Props): ReactNode {
  return (
    <div className="grid gap-x-4 gap-y-2 sm:grid-cols-2">
      {TEACHING_QUESTIONS.map(({ key, question, schools, why }) => {
        const inherited = schools.find(([v]) => v === under[key])?.[1] ?? '';
        return (
          <label key={key} title={why}>
            <span className="text-ink-2">{question}</span>
            <select
              className={`field w-full ${own[key] === undefined ? '' : 'font-semibold text-plum'}`}
              value={own[key] ?? ''}
              onChange={(e) => onAnswer([key, e.target.value === '' ? null : e.target.value])}
            >
              <option value="">
                {inherited} ({underName})
              </option>
              {schools.map(([value, name]) => (
                <option key={value} value={value}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        );
      })}
    </div>
  );
}
