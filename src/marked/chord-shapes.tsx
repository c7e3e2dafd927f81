import type { ReactNode } from 'react';
import { chordShapes, type ChordShape } from '@/core/fingering';
import type { FrettedStrings } from '@/core/instruments';
import type { ChordSymbol } from '@/core/score';
import { HandMap, withSigns } from '@/ui';

/** The easiest shape of each chord, by its symbol; none where a symbol does not say what sounds. */
export function shapesOf(
  symbols: readonly Pick<ChordSymbol, 'text' | 'classes'>[],
  strings: FrettedStrings,
): ReadonlyMap<string, ChordShape> {
  const shapes = new Map<string, ChordShape>();
  for (const { text, classes } of symbols) {
    const [shape] = classes && !shapes.has(text) ? chordShapes(strings, classes, 1) : [];
    if (shape) shapes.set(text, shape);
  }
  return shapes;
}

/** Chords as they are held: frets as a chart writes them, and drawn. */
export function ChordShapes({
  shapes,
  names,
  className,
}: {
  readonly shapes: ReadonlyMap<string, ChordShape>;
  /** Names of the open strings, the highest first. */
  readonly names: readonly string[];
  readonly className: string;
}): ReactNode {
  return (
    <ul className={className}>
      {[...shapes].map(([text, { frets, fingers }]) => (
        <li key={text}>
          <span className="font-semibold" translate="no">
            {withSigns(text)}
          </span>{' '}
          <span className="figure text-ink-2">
            {[...frets]
              .reverse()
              .map((f) => f ?? 'x')
              .join('')}
          </span>
          <HandMap
            drawing={{
              kind: 'strings',
              names,
              stops: frets.flatMap((fret, s) =>
                fret === null ? [] : [{ string: s + 1, fret, finger: String(fingers[s] ?? '') }],
              ),
            }}
          />
        </li>
      ))}
    </ul>
  );
}
