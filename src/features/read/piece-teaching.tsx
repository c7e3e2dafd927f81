import type { ReactNode } from 'react';
import { teachingFor, type Piece } from '@/core/studio';
import { changePiece } from '@/core/commands';
import { useSettings } from '@/store';
import { Panel } from '@/ui';
import { useActs } from '@/features/acts';
import { TeachingChoices } from '@/features/teaching';

/** How this piece is taught where it is not as the studio has it; folded until wanted. */
export function PieceTeaching({ piece }: { readonly piece: Piece }): ReactNode {
  const { run } = useActs();
  const settings = useSettings();
  const count = Object.keys(piece.teaching ?? {}).length;
  return (
    <Panel label="How this piece is taught">
      <details>
        <summary className="cursor-pointer font-semibold">
          How this piece is taught{count > 0 ? `, ${count} of its own` : ''}
        </summary>
        <div className="mt-2">
          <TeachingChoices
            own={piece.teaching ?? {}}
            under={teachingFor(settings?.teaching)}
            underName="as the studio"
            onAnswer={(answer) =>
              run(changePiece, { pieceId: piece.id, change: { answer }, label: 'how this piece is taught' })
            }
          />
        </div>
      </details>
    </Panel>
  );
}
