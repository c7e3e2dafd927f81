import { Trash2 } from 'lucide-react';
import { useState, type FormEvent, type ReactNode } from 'react';
import { meterBeats } from '@/core/score';
import type { PencilMark } from '@/core/studio';
import { Button, Choose, Panel } from '@/ui';
import type { MarksModel } from '../use-marks-model';
import type { Pencil } from './use-pencil';

const SIDES = {
  above: 'above the staff',
  between: 'between the staves',
  below: 'below the staff',
} as const satisfies Readonly<Record<PencilMark['side'], string>>;

/** Everything that is written in pencil in the bars on screen. */
function Written({ model, pencil }: { readonly model: MarksModel; readonly pencil: Pencil }): ReactNode {
  const { whole, from, to, student } = model;
  const bars = whole.bars.slice(from, to + 1);
  const here = pencil.seen.filter((m) => bars.some((b) => b.id === m.barId));
  const nameOf = (mark: PencilMark): string => whole.bars.find((b) => b.id === mark.barId)?.name ?? '?';
  if (here.length === 0) return null;
  return (
    <ul className="mt-2 grid gap-1" aria-label="Written in these bars">
      {here.map((mark) => (
        <li key={mark.id} className="flex items-center gap-2">
          <span className="flex-1">
            <span className="font-semibold text-plum">{mark.text}</span> bar {nameOf(mark)}
            {mark.studentId !== null && student ? `, for ${student.name}` : ''}
          </span>
          <Button look="quiet" aria-label={`Rub out “${mark.text}”`} onClick={() => pencil.drop(mark)}>
            <Trash2 size={18} aria-hidden="true" />
          </Button>
        </li>
      ))}
    </ul>
  );
}

/** Pencil by keys: what, at which bar and beat, on which side; and everything that is written in these bars. */
export function PencilPanel({ model, pencil }: { readonly model: MarksModel; readonly pencil: Pencil }): ReactNode {
  const { whole, from, to, student, staves } = model;
  const [text, setText] = useState('');
  const [bar, setBar] = useState<string | null>(null);
  const [beat, setBeat] = useState('1');
  const [side, setSide] = useState<PencilMark['side']>('above');
  const bars = whole.bars.slice(from, to + 1);
  const at = bars.find((b) => b.id === bar) ?? bars[0];
  if (!at) return null;
  const beats = Math.max(1, meterBeats(at.meter).length);
  const sides = (['above', 'between', 'below'] as const).filter((s) => s !== 'between' || staves > 1);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (text.trim() === '') return;
    pencil.write({ barId: at.id, at: Math.min(1, (Number(beat) - 0.5) / beats), side }, text, null);
    setText('');
  };
  return (
    <Panel title="In pencil">
      <p className="mb-2 text-ink-2">
        Click on the page and write: a finger, a level, a breath, a count, a word. Drag it where it belongs.
      </p>
      <form className="flex flex-wrap items-end gap-2" onSubmit={submit}>
        <label className="block">
          <span className="block text-sm text-ink-2">What</span>
          <input
            className="field w-28"
            maxLength={80}
            value={text}
            placeholder="3, mf, ’"
            onChange={(event) => setText(event.target.value)}
          />
        </label>
        <Choose
          place="stacked"
          label="Bar"
          value={at.id}
          choices={bars.map((b) => [b.id, b.name] as const)}
          onPick={setBar}
        />
        <Choose
          place="stacked"
          label="Beat"
          value={Number(beat) > beats ? '1' : beat}
          choices={Array.from({ length: beats }, (_, i) => [String(i + 1), String(i + 1)] as const)}
          onPick={setBeat}
        />
        <Choose
          place="stacked"
          label="Where"
          value={side}
          choices={sides.map((s) => [s, SIDES[s]] as const)}
          onPick={setSide}
        />
        <Button type="submit">Write it</Button>
      </form>
      {student ? (
        <label className="mt-2 flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-leaf"
            checked={pencil.forStudent}
            onChange={(event) => pencil.setForStudent(event.target.checked)}
          />
          only for {student.name}
        </label>
      ) : null}
      <Written model={model} pencil={pencil} />
    </Panel>
  );
}
