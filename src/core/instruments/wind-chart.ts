/** One way to finger a note on a wind instrument. */
export interface WindFingering {
  /** As shown: `12`, `T 123|456 E♭`, `3` for a slide position. */
  readonly keys: string;
  /** Fingers and keys that are down, for measuring a change. */
  readonly hands: readonly string[];
  /** Key under the left or right little finger, where one is used. */
  readonly leftLittle?: string;
  readonly rightLittle?: string;
  /** Slide position, for measuring how far the arm moves. */
  readonly slide?: number;
  /** Sounds better than the main fingering, which is only handier: for long, loud notes **[common practice]**. */
  readonly better?: true;
}

/**
 * Main fingering first, then the alternates, by the MIDI key of the note as the chart counts it (written or sounding,
 * see the instrument).
 */
export interface WindChart {
  readonly name: string;
  /** Where the fingerings are printed. */
  readonly source: string;
  readonly notes: ReadonlyMap<number, readonly WindFingering[]>;
}

const LEFT_LITTLE = /(E♭|G♯|B♭|B|C♯|C|F♯|F|E)\(L\)/;
const RIGHT_LITTLE = /(E♭|A♭|G♯|C♯|C|B|F♯|F|E)\(R\)/;

/** Reads `T 123|456 F(R)`: everything down, and which little finger takes which key; `*` after it for a better tone. */
export function windFingering(written: string): WindFingering {
  const better = written.endsWith('*');
  const text = better ? written.slice(0, -1) : written;
  const left = LEFT_LITTLE.exec(text)?.[1];
  const right = RIGHT_LITTLE.exec(text)?.[1];
  const hands = text
    .replace(/[|-]/g, ' ')
    .split(/\s+/)
    .filter((t) => t !== '')
    .flatMap((t) => (/^[0½1-7]+$/.test(t) ? [...t] : [t]));
  return {
    keys: text
      .replace(/\((L|R)\)/g, (_, side: string) =>
        left !== undefined && right === undefined && side === 'R' ? '' : side === 'L' ? ' left' : ' right',
      )
      .trim(),
    hands,
    ...(left === undefined ? {} : { leftLittle: left }),
    ...(right === undefined ? {} : { rightLittle: right }),
    ...(better ? { better: true as const } : {}),
  };
}

/** A chart from rows `[lowest key, ways of it, ways of the next semitone, …]`; ways are separated by `;`. */
export function chartFrom(name: string, source: string, lowest: number, rows: readonly string[]): WindChart {
  return {
    name,
    source,
    notes: new Map(rows.map((row, i) => [lowest + i, row.split(';').map((way) => windFingering(way.trim()))])),
  };
}
