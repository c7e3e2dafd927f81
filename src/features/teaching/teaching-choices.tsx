import type { ReactNode } from 'react';
import { TEACHING_QUESTIONS, type Teaching, type TeachingAnswer } from '@/core/studio';
import { Choose } from '@/ui';

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
          <div key={key} title={why}>
            <Choose
              place="stacked"
              label={question}
              own={own[key] !== undefined}
              value={own[key] ?? ''}
              choices={[['', `${inherited} (${underName})`], ...schools]}
              onPick={(value) => onAnswer([key, value === '' ? null : value])}
            />
          </div>
        );
      })}
    </div>
  );
}
