'use client';

import { useState, type ReactNode } from 'react';
import { toast } from 'sonner';
import type { Result } from '@/core/result';
import { tempoAt, type Score } from '@/core/score';
import { barsText } from '@/core/sections';
import type { Piece } from '@/core/studio';
import { useActs } from '@/features/acts';
import { saveMidi, savePiece } from '@/features/score';
import { useMarks, useSections } from '@/store';
import { Button, Panel } from '@/ui';

const staffName = (score: Score, partIndex: number, staff: number): string => {
  const part = score.parts[partIndex];
  const name = part?.name || (score.parts.length > 1 ? `part ${partIndex + 1}` : 'music');
  return part?.staves === 2 ? (staff === 1 ? 'right hand' : 'left hand') : name;
};

/** The piece as MusicXML with the marks in it, and any bars as MIDI. */
export function TakeAwayPanel({
  piece,
  score,
  selection,
}: {
  readonly piece: Piece;
  readonly score: Score;
  readonly selection: readonly [number, number] | null;
}): ReactNode {
  const { act } = useActs();
  const marks = useMarks(piece.id) ?? [];
  const sections = useSections(piece.id) ?? [];
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
  const save = async (): Promise<Result<unknown>> => {
    const saved = await savePiece(piece, marks, sections);
    if (!saved.ok) return saved;
    const { added, unplaced } = saved.value;
    toast(
      `Saved to your downloads with ${added} ${added === 1 ? 'mark' : 'marks'} put in; the rest of the file is untouched.${unplaced > 0 ? ` ${unplaced} have no place in this edition and are only in its own field.` : ''}`,
    );
    return saved;
  };
  const bpm = tempo.trim() === '' ? null : Number(tempo);
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
    if (saved.ok) toast(`Bars ${barsText(score, from, to)} saved as MIDI to your downloads.`);
    return saved;
  };
  const check = (label: string, value: boolean, onChange: (next: boolean) => void): ReactNode => (
    <label key={label} className="flex min-h-8 items-center gap-2">
      <input
        type="checkbox"
        className="size-5 accent-leaf"
        checked={value}
        onChange={(e) => onChange(e.target.checked)}
      />
      {label}
    </label>
  );
  return (
    <Panel title="Take it away">
      <Button className="w-full" onClick={() => act(save)}>
        Save as MusicXML with your marks
      </Button>
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
            placeholder={first ? String(Math.round(tempoAt(score, first.onset))) : ''}
            aria-invalid={badTempo}
            onChange={(e) => setTempo(e.target.value)}
          />
          quarters a minute
        </label>
        {badTempo ? <p className="text-stop">A tempo from 10 to 600.</p> : null}
        {check('with repeats', repeats, setRepeats)}
        {check('a bar of count-in', countIn, setCountIn)}
        {check('clicks all through', click, setClick)}
        {staves.length > 1
          ? staves.map((s) =>
              check(s.name, !silent.has(s.key), (on) =>
                setSilent((before) => {
                  const next = new Set(before);
                  if (on) next.delete(s.key);
                  else next.add(s.key);
                  return next;
                }),
              ),
            )
          : null}
        <Button className="mt-2" disabled={badTempo || silent.size === staves.length} onClick={() => act(midi)}>
          Save as MIDI
        </Button>
      </details>
    </Panel>
  );
}
