'use client';

import { useEffect, useState, type ReactNode } from 'react';
import { draftToMusicXml, plainEvent, type DraftEvent } from '@/core/bargrid';
import { fraction, spellMidi, type Fraction } from '@/core/score';
import { engrave } from '@/workers';

/** One column of a small staff: keys sounding together, and how long. */
export interface SmallNote {
  readonly keys: readonly number[];
  readonly duration: Fraction;
}

const eventOf = (note: SmallNote, fifths: number): DraftEvent =>
  plainEvent(
    note.keys.length === 0 ? 'rest' : 'note',
    note.duration,
    note.keys.map((k) => spellMidi(k, fifths)),
  );

function documentOf(notes: readonly SmallNote[], fifths: number): string {
  const low = notes.filter((n) => n.keys.some((k) => k < 57)).length > 0;
  const upper = notes.map((n) => eventOf({ ...n, keys: low ? n.keys.filter((k) => k >= 57) : n.keys }, fifths));
  const lower = notes.map((n) => eventOf({ ...n, keys: n.keys.filter((k) => k < 57) }, fifths));
  const quarters = notes.reduce<Fraction>(
    (sum, n) => fraction(sum.n * n.duration.d + n.duration.n * sum.d, sum.d * n.duration.d),
    fraction(0),
  );
  const treble = { clef: { sign: 'G' as const, line: 2, octaveChange: 0 } };
  const bass = { clef: { sign: 'F' as const, line: 4, octaveChange: 0 } };
  return draftToMusicXml({
    title: '',
    composer: '',
    parts: [
      { id: 'P1', name: '', sound: null, midiProgram: null, transpose: null, staves: low ? [treble, bass] : [treble] },
    ],
    bars: [
      {
        number: '1',
        implicit: false,
        quarters,
        meter: { parts: [], symbol: null },
        key: { fifths, mode: null },
        tempo: null,
        repeatStart: false,
        repeatEnd: null,
        endingStart: null,
        endingStop: null,
        segno: false,
        coda: false,
        toCoda: false,
        fine: false,
        jump: null,
        doubleBar: null,
        lineBreak: false,
        rehearsal: null,
        content: [low ? [[upper], [lower]] : [[upper]]],
      },
    ],
  });
}

/** A few notes on a staff of their own, smaller than the music. */
export function SmallStaff({
  notes,
  fifths,
  label,
}: {
  readonly notes: readonly SmallNote[];
  readonly fifths: number;
  readonly label: string;
}): ReactNode {
  const document = notes.length === 0 ? '' : documentOf(notes, fifths);
  const [drawn, setDrawn] = useState<{ readonly document: string; readonly svg: string }>({ document: '', svg: '' });
  useEffect(() => {
    if (document === '') return undefined;
    let current = true;
    engrave(document, { width: 250, scale: 36 })
      .then((result) => {
        if (current && result.ok) setDrawn({ document, svg: result.value.join('') });
      })
      // The notes stand beside it in words.
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [document]);
  // The engraver's own output, from a document written here.
  return (
    <div
      className="engraved overflow-x-auto"
      role="img"
      aria-label={label}
      dangerouslySetInnerHTML={{ __html: drawn.document === document ? drawn.svg : '' }}
    />
  );
}
