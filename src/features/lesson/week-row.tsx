import type { ReactNode } from 'react';
import type { WeekEdit } from '@/core/commands';
import type { Assigned } from '@/core/studio';
import { Button, Choose } from '@/ui';
import { KeptField } from '@/features/drafts';

const DAYS = ['M', 'T', 'W', 'T', 'F', 'S', 'S'] as const;
const DAY_NAMES = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const MOST_MINUTES = 120;
const MOST_TIMES = 50;

const isIn = (text: string, most: number): boolean => Number(text) >= 1 && Number(text) <= most;

interface Props {
  readonly item: Assigned;
  readonly studentId: string;
  readonly change: (edit: WeekEdit, stored?: () => void) => void;
}

/** A number of a task, stored as it is left; what it does not take is said. */
function Count({
  item,
  studentId,
  name,
  label,
  most,
  read,
  change,
}: Props & {
  readonly name: 'minutes' | 'timesADay';
  readonly label: string;
  readonly most: number;
  readonly read: (n: number) => Partial<Omit<Assigned, 'id'>>;
}): ReactNode {
  return (
    <span>
      <KeptField
        draftKey={`${name} ${studentId} ${item.id}`}
        className="field figure w-16 text-center text-ink"
        inputMode="numeric"
        label={`${label} of ${item.what}`}
        value={String(item[name])}
        accepts={(text) => isIn(text, most)}
        wants={`a number from 1 to ${most}`}
        onKeep={(text, stored) => change({ kind: 'change', id: item.id, change: read(Number(text)) }, stored)}
      />
    </span>
  );
}

/** The days of a task, each to be taken or left. */
function Days({
  item,
  edit,
}: Pick<Props, 'item'> & { readonly edit: (what: Pick<Assigned, 'days'>) => void }): ReactNode {
  return DAYS.map((d, i) => {
    const on = item.days.includes(i);
    return (
      <button
        key={DAY_NAMES[i]}
        type="button"
        aria-pressed={on}
        aria-label={DAY_NAMES[i] ?? ''}
        className={`figure size-11 rounded border ${on ? 'border-leaf-deep bg-leaf-wash font-bold' : 'border-rule text-ink-2'}`}
        onClick={() => edit({ days: on ? item.days.filter((x) => x !== i) : [...item.days, i].sort((a, b) => a - b) })}
      >
        {d}
      </button>
    );
  });
}

/** One task of the week: what, how long, how often, on which days, until when, with which cue. */
export function WeekRow(props: Props): ReactNode {
  const { item, studentId, change } = props;
  const edit = (what: Partial<Omit<Assigned, 'id'>>): void => change({ kind: 'change', id: item.id, change: what });
  return (
    <li className="border-t border-rule py-2 first:border-0">
      <div className="flex flex-wrap items-center gap-2">
        <span className={`min-w-0 flex-1 font-semibold ${item.kind === 'own' ? 'text-plum' : ''}`}>
          {item.what}
          <span className="block text-base font-normal text-ink-2">{item.why}</span>
        </span>
        <span className="flex items-center gap-1 text-ink-2">
          <Count
            {...props}
            name="minutes"
            label="Minutes a day"
            most={MOST_MINUTES}
            read={(minutes) => ({ minutes })}
          />
          min
        </span>
        <span className="flex items-center gap-1 text-ink-2">
          <Count
            {...props}
            name="timesADay"
            label="Times a day"
            most={MOST_TIMES}
            read={(n) => ({ timesADay: Math.round(n) })}
          />
          a day
        </span>
        <Button
          look="quiet"
          big
          aria-label={`Take away ${item.what}`}
          onClick={() => change({ kind: 'remove', id: item.id })}
        >
          Take away
        </Button>
      </div>
      <div className="mt-1 flex flex-wrap items-center gap-1" role="group" aria-label={`Days of ${item.what}`}>
        <Days item={item} edit={edit} />
        <span className="ml-2">
          <Choose
            label="by"
            value={item.by}
            choices={[
              ['', 'any time'],
              ['midweek', 'midweek'],
              ['lesson', 'next lesson'],
            ]}
            onPick={(v) => edit({ by: v === 'midweek' || v === 'lesson' ? v : '' })}
          />
        </span>
        <KeptField
          draftKey={`task cue ${studentId} ${item.id}`}
          className="field min-w-40 flex-1 bg-plum-wash text-plum"
          placeholder="a cue"
          label={`Cue for ${item.what}`}
          maxLength={300}
          value={item.cue}
          onKeep={(text, stored) => change({ kind: 'change', id: item.id, change: { cue: text } }, stored)}
        />
      </div>
    </li>
  );
}
