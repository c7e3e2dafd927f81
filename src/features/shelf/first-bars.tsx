import { useEffect, useState, type ReactNode } from 'react';
import type { PlayerChoice } from '@/core/players';
import { askReading, engrave, type OpenedFile } from '@/workers';
import { FirstLook } from '@/features/score';

/** Bars shown of a part, from where it begins to play. */
const FIRST_BARS = 3;

/** The first bars of a part in a file that is not on the shelf yet. */
export function FirstBars({
  opened,
  fileName,
  choice,
}: {
  readonly opened: OpenedFile;
  readonly fileName: string;
  readonly choice: PlayerChoice;
}): ReactNode {
  const [drawn, setDrawn] = useState<{ readonly key: string; readonly svg: string } | null>(null);
  const { text } = opened;
  const { key, firstBar, player } = choice;
  const parts = player.parts.join(' ');
  useEffect(() => {
    let current = true;
    const draw = async (): Promise<void> => {
      const piece = { key: `opened ${fileName} ${text.length}`, piece: { source: text, fileName } };
      const document = await askReading((api) =>
        api.excerpt(piece, { from: firstBar, to: firstBar + FIRST_BARS - 1, parts: parts.split(' ') }),
      );
      if (!document.ok) return;
      const systems = await engrave(document.value, { width: 560, scale: 36 });
      if (current && systems.ok) setDrawn({ key, svg: systems.value[0] ?? '' });
    };
    // Without a drawing the part still has its name, its range and its rests.
    draw().catch(() => undefined);
    return () => {
      current = false;
    };
  }, [text, fileName, key, firstBar, parts]);
  return (
    <div className="min-h-14">
      <FirstLook svg={drawn?.key === key ? drawn.svg : ''} label={`First bars of ${choice.name}`} />
    </div>
  );
}
