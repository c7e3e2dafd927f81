import { useEffect, useState, type ReactNode } from 'react';
import type { Piece } from '@/core/studio';
import { loadedPiece } from '@/features/score';
import { askReading, engrave } from '@/workers';

/** Bars and notes are known by their ids, and each stands on the screen once: in the music itself. */
const withoutNames = (svg: string): string => svg.replace(/ id="g\d+[^"]*"/g, '');

/** What was typed of one bar, engraved: it shows at once whether it is what the page says. */
export function TypedBar({
  piece,
  bar,
  number,
}: {
  readonly piece: Piece;
  readonly bar: number;
  readonly number: string;
}): ReactNode {
  const loaded = loadedPiece(piece);
  const wanted = `${loaded.key} ${bar}`;
  const [drawn, setDrawn] = useState<{ readonly wanted: string; readonly svg: string } | null>(null);
  useEffect(() => {
    let current = true;
    const draw = async (): Promise<void> => {
      const document = await askReading((api) => api.excerpt(loadedPiece(piece), { from: bar, to: bar }));
      if (!document.ok) return;
      const systems = await engrave(document.value, { width: 460, scale: 46 });
      if (current && systems.ok) setDrawn({ wanted, svg: withoutNames(systems.value[0] ?? '') });
    };
    // What cannot be read is said below the field.
    draw().catch(() => undefined);
    return () => {
      current = false;
    };
  }, [piece, bar, wanted]);
  // The engraver's own output, from a document written here. While the next is drawn, the last one stays.
  return (
    <div
      className="engraved min-h-14 overflow-x-auto"
      role="img"
      aria-label={`Bar ${number} as it is typed`}
      dangerouslySetInnerHTML={{ __html: drawn?.svg ?? '' }}
    />
  );
}
