'use client';

import { useState, type ReactNode } from 'react';
import { partName } from '@/core/players';
import type { Result } from '@/core/result';
import { inBeats, inQuarters, tempoAt, type Score } from '@/core/score';
import { barsText } from '@/core/sections';
import { tempoUnitOf, type Piece } from '@/core/studio';
import { tell, useActs } from '@/features/acts';
import { saveMidi, savePiece } from '@/features/score';
import { useMarks, useSections } from '@/store';
import { Button, Panel } from '@/ui';

const staffName = (score: Score, partIndex: number, staff: number): string => {
  const part = score.parts[partIndex];
  const name = part && score.parts.length > 1 ? partName(part) : 'music';
  return part?.staves === 2 ? (staff === 1 ? 'right hand' : 'left hand') : name;
};

interface Props {
  readonly piece: Piece;
  readonly score: Score;
  readonly selection: readonly [number, number] | null;
}

function Check({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: boolean;
  readonly onChange: (next: boolean) => void;
}): ReactNode {
  return (
    <label className="flex min-h-8 items-center gap-2">
      <input
        type="checkbox"
        className="size-5 accent-leaf"
        checked={value}
        onChange={(e) => onChange(e.target.checked)}
      />
      {label}
    </label>
  );
}

/** The chosen bars as MIDI, at a tempo, with or without repeats, clicks and single staves. */
function PractiseMidi({ piece, score, selection }: Props): ReactNode {
  const { act } = useActs();
  const [tempo, setTempo] = useState('');
  const [repeats, setRepeats] = useState(true);
  const [countIn, setCountIn] = useState(true);
  const [click, setClick] = useState(false);
  const [silent, setSilent] = useState<ReadonlySet<string>>(new Set());
  const staves = score.parts.flatMap((part, p) =>
    Array.from({ length: part.staves }, (_, s) => ({ key: `${part.id} ${s + 1}`, name: staffName(score, p, s + 1) })),
  );
  const [from, to] = selection ?? [0, score.bars.length - 1];
  const first = score.bars[from];
  const unit = tempoUnitOf(piece);
  const bpm = tempo.trim() === '' ? null : inQuarters(Number(tempo), unit);
  const badTempo = bpm !== null && !(bpm >= 10 && bpm <= 600);
  const midi = async (): Promise<Result<unknown>> => {
    const sounding = staves.filter((s) => !silent.has(s.key)).map((s) => s.key);
    const saved = await saveMidi(piece, {
      from,
      to,
      tempo: bpm,
      repeats,
      staves: silent.size === 0 ? null : new Set(sounding),
      countIn,
      click,
    });
    if (saved.ok) tell(`Bars ${barsText(score, from, to)} saved as MIDI to your downloads.`);
    return saved;
  };
  return (
    <details className="mt-3 border-t border-rule pt-2">
      <summary className="cursor-pointer font-semibold">As MIDI to practise with</summary>
      <p className="my-1 text-ink-2">
        Bars <span className="figure">{barsText(score, from, to)}</span>
        {selection ? '' : ' (choose others on the strip)'}
      </p>
      <label className="flex items-center gap-2">
        Tempo
        <input
          className="field w-24"
          inputMode="numeric"
          value={tempo}
          placeholder={first ? String(inBeats(tempoAt(score, first.onset), unit)) : ''}
          aria-invalid={badTempo}
          onChange={(e) => setTempo(e.target.value)}
        />
        {unit.name}s a minute
      </label>
      {badTempo ? <p className="text-stop">A tempo from 10 to 600.</p> : null}
      <Check label="with repeats" value={repeats} onChange={setRepeats} />
      <Check label="a bar of count-in" value={countIn} onChange={setCountIn} />
      <Check label="clicks all through" value={click} onChange={setClick} />
      {staves.length > 1
        ? staves.map((s) => (
            <Check
              key={s.key}
              label={s.name}
              value={!silent.has(s.key)}
              onChange={(on) =>
                setSilent((before) =>
                  on ? new Set([...before].filter((key) => key !== s.key)) : new Set([...before, s.key]),
                )
              }
            />
          ))
        : null}
      <Button className="mt-2" disabled={badTempo || silent.size === staves.length} onClick={() => act(midi)}>
        Save as MIDI
      </Button>
    </details>
  );
}

/** The piece as MusicXML with the marks in it, and any bars as MIDI. */
export function TakeAwayPanel({ piece, score, selection }: Props): ReactNode {
  const { act } = useActs();
  const marks = useMarks(piece.id);
  const sections = useSections(piece.id);
  // Without what is still being read the file would lack it.
  const isThere = marks !== undefined && sections !== undefined;
  const save = async (): Promise<Result<unknown> | undefined> => {
    if (!isThere) return undefined;
    const saved = await savePiece(piece, marks, sections);
    if (!saved.ok) return saved;
    const { added, unplaced } = saved.value;
    tell(
      `Saved to your downloads with ${added} ${added === 1 ? 'mark' : 'marks'} put in; the rest of the file is untouched.${unplaced > 0 ? ` ${unplaced} have no place in this edition and are only in its own field.` : ''}`,
    );
    return saved;
  };
  return (
    <Panel title="Save it elsewhere">
      <Button className="w-full" disabled={!isThere} onClick={() => act(save)}>
        Save as MusicXML with your marks
      </Button>
      <PractiseMidi piece={piece} score={score} selection={selection} />
    </Panel>
  );
}
