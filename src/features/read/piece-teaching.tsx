import type { ReactNode } from 'react';
import { teachingFor, type Piece } from '@/core/studio';
import { changePiece } from '@/core/commands';
import { instrumentName } from '@/core/instruments';
import { useSettings } from '@/store';
import { Panel } from '@/ui';
import { useActs } from '@/features/acts';
import { KeptField } from '@/features/drafts';
import { TeachingChoices } from '@/features/teaching';

/** How this piece is taught where it is not as the studio has it; folded until wanted. */
export function PieceTeaching({ piece }: { readonly piece: Piece }): ReactNode {
  const { run } = useActs();
  const settings = useSettings();
  const count = Object.keys(piece.teaching ?? {}).length;
  return (
    <Panel label="How this piece is taught">
      <label className="mb-2 flex items-center gap-2">
        <span className="text-ink-2">Instrument</span>
        <KeptField
          draftKey={`instrument of ${piece.id}`}
          className="field min-w-0 flex-1"
          value={instrumentName(piece)}
          maxLength={60}
          accepts={(text) => text.trim() !== ''}
          onKeep={(instrument, stored) =>
            run(
              changePiece,
              { pieceId: piece.id, change: { instrument }, label: 'instrument of the piece' },
              { stored },
            )
          }
        />
      </label>
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
