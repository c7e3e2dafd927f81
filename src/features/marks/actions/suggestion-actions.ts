import { putMarks } from '@/core/commands';
import { toMark, type Suggestion } from '../suggestions';
import type { MarkDesk } from './mark-desk';

/** A refused suggestion does not come back. */
export const refuse = ({ putOne, base }: MarkDesk, what: string, label: string): void =>
  putOne(label, { ...base, kind: 'refused', what });

/** Suggestions taken over or refused. */
export const suggestionActions = (desk: MarkDesk) => ({
  refuse: (what: string, label: string): void => refuse(desk, what, label),
  accept: (list: readonly Suggestion[]): void =>
    desk.run(putMarks, {
      marks: list.map((s) => toMark(s, desk.base.pieceId)),
      label: list.length === 1 ? `${list[0]?.text ?? ''} accepted` : `${list.length} suggestions accepted`,
    }),
});
