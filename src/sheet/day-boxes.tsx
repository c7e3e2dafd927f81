import type { ReactNode } from 'react';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
const LONG = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

interface Props {
  /** The seven days in the order of the week of this sheet, 0 Monday. */
  readonly weekdays: readonly number[];
  /** Those on which it is asked for. */
  readonly days: readonly number[];
  readonly boxes: number;
}

/** A box for each time on each day, to be ticked with a pencil. */
export function DayBoxes({ weekdays, days, boxes }: Props): ReactNode {
  if (days.length === 0) return null;
  return (
    <ul className="sheet-days" aria-label="Boxes to tick">
      {weekdays.map((day) => {
        const asked = days.includes(day);
        return (
          <li key={day} className={asked ? '' : 'sheet-free'}>
            <span aria-hidden="true">{DAYS[day]}</span>
            <span className="sr-only">
              {LONG[day]}: {asked ? `${boxes} to tick` : 'free'}
            </span>
            <span className="sheet-boxes" aria-hidden="true">
              {asked ? Array.from({ length: boxes }, (_, i) => <i key={i} />) : null}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
