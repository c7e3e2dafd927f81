import { useCallback } from 'react';
import { takeHome } from '@/core/commands';
import { fail, ok, type Result } from '@/core/result';
import { readAnswer } from '@/core/sheet';
import { useStudio, whoseWeek } from '@/store';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';

/** Takes in what came back from home, as a file or as a code in a text; what is not in order is said, and kept out. */
export function useTakeHome(): (text: string, taken?: () => void) => void {
  const studio = useStudio();
  const { act, run } = useActs();
  const { studentId: chosen, stage } = useWhere();
  return useCallback(
    (text, taken) =>
      act(async (): Promise<Result<unknown>> => {
        const answer = readAnswer(text);
        if (!answer.ok) return answer;
        const found = await whoseWeek(studio.db, answer.value.week);
        if (!found)
          return fail(
            'unknown-week',
            'This is of no week that was given in this studio. Is it another teacher’s, or of the demo?',
          );
        const { student, pieceIds, ladderIds } = found;
        if (chosen !== null && chosen !== student.id && stage !== 'board')
          return fail(
            'other-student',
            `This is from ${student.name}, and somebody else is chosen. Choose ${student.name} first; nothing was changed.`,
          );
        run(
          takeHome,
          { studentId: student.id, sent: answer.value, pieceIds, ladderIds },
          taken === undefined ? {} : { stored: taken },
        );
        return ok(null);
      }),
    [studio, act, run, chosen, stage],
  );
}
