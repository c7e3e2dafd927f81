import type { ReactNode } from 'react';
import { changePiece, type PieceChange } from '@/core/commands';
import { instrumentName } from '@/core/instruments';
import type { Origin, Score } from '@/core/score';
import { clampText, type Piece } from '@/core/studio';
import { InstrumentOptions, Panel } from '@/ui';
import { useActs } from '@/features/acts';
import { KeptField } from '@/features/drafts';

const MOST = 300;
const MOST_OF_TAG = 40;
const INSTRUMENTS = 'instruments-known';

const ORIGIN: readonly (readonly [keyof Origin, string])[] = [
  ['work', 'From the work'],
  ['workNumber', 'Opus or catalogue number'],
  ['movement', 'Movement'],
  ['movementNumber', 'Number of the movement'],
  ['lyricist', 'Words by'],
  ['arranger', 'Arranged by'],
  ['source', 'Edition'],
  ['rights', 'Rights'],
];

/** Tags as they are typed, one after the other with commas. */
const tagsIn = (text: string): string[] =>
  [...new Set(text.split(',').map((t) => clampText(t.trim(), MOST_OF_TAG)))].filter((t) => t !== '').slice(0, 40);

/** What is known of a piece, each thing to be changed where it stands. */
export function AboutPiece({ piece, score }: { readonly piece: Piece; readonly score: Score }): ReactNode {
  const { run } = useActs();
  const field = (
    name: string,
    value: string,
    change: (text: string) => PieceChange,
    more: { readonly needed?: boolean; readonly list?: string; readonly most?: number } = {},
  ): ReactNode => (
    <label key={name} className="grid grid-cols-[7rem_minmax(0,1fr)] items-center gap-2">
      <span className="text-ink-2">{name}</span>
      <KeptField
        draftKey={`${name} of ${piece.id}`}
        className="field w-full min-w-0"
        value={value}
        maxLength={more.most ?? MOST}
        {...(more.list === undefined ? {} : { list: more.list })}
        accepts={(text) => more.needed !== true || text.trim() !== ''}
        wants="a few words"
        onKeep={(text, stored) =>
          run(
            changePiece,
            { pieceId: piece.id, change: change(text), label: `${name.toLowerCase()} of the piece` },
            { stored },
          )
        }
      />
    </label>
  );
  return (
    <Panel label="About the piece">
      <div className="grid gap-1.5">
        {field('Title', piece.title, (title) => ({ title }), { needed: true })}
        {field('Composer', piece.composer, (composer) => ({ composer }))}
        {field('Instrument', instrumentName(piece), (instrument) => ({ instrument }), {
          needed: true,
          list: INSTRUMENTS,
          most: 60,
        })}
        {field('Level', piece.grade ?? '', (grade) => ({ grade: grade.trim() }), { most: MOST_OF_TAG })}
        {field('Tags', (piece.tags ?? []).join(', '), (text) => ({ tags: tagsIn(text) }))}
      </div>
      <InstrumentOptions id={INSTRUMENTS} />
      {piece.exercise ? null : (
        <label className="mt-2 flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-leaf"
            checked={piece.study ?? false}
            onChange={(e) =>
              run(changePiece, { pieceId: piece.id, change: { study: e.target.checked }, label: 'a study or not' })
            }
          />
          a study: practised as technique, first of all
        </label>
      )}
      <details className="mt-2">
        <summary className="cursor-pointer font-semibold">Where it comes from</summary>
        <div className="mt-2 grid gap-1.5">
          {ORIGIN.map(([key, name]) =>
            field(name, piece.origin?.[key] ?? score.origin[key], (text) => ({ origin: [key, text] })),
          )}
        </div>
      </details>
    </Panel>
  );
}
