import type { ReactNode } from 'react';
import { rhythmFamilies } from '@/core/sameness';
import type { Mark } from '@/core/studio';
import { LanesAbove, LanesBelow, PencilOver } from '@/marked';
import { EngravedLines, TextLane, type LaneText, type LineLayout } from '@/ui';
import type { DrawnPiece } from './draw-piece';
import { GUTTER, type PrintSize } from './paper';
import type { SheetBlock } from './sheet-block';

/** What stands at the top: what it is, by whom, for whom. */
export function PieceHead({
  title,
  under,
  who,
}: {
  readonly title: string;
  readonly under: string;
  readonly who: string;
}): ReactNode {
  return (
    <header className="sheet-head">
      <h1>
        <span translate="no">{title}</span> <span className="sheet-week">{under}</span>
      </h1>
      {who === '' ? null : <p translate="no">{who}</p>}
    </header>
  );
}

/** One line of music with its lanes, and one more above it where that is asked. */
export function MusicLine({
  drawn: { excerpt },
  svg,
  size,
  lanes = true,
  over,
  under,
  rings,
}: {
  readonly drawn: Pick<DrawnPiece, 'excerpt'>;
  readonly svg: string;
  readonly size: PrintSize;
  /** What is marked at the notes stands there. */
  readonly lanes?: boolean;
  readonly over?: (layout: LineLayout) => ReactNode;
  readonly under?: (layout: LineLayout) => ReactNode;
  /** Notes with a ring around them. */
  readonly rings?: ReadonlySet<string>;
}): ReactNode {
  const { seen, played, label } = excerpt;
  const about = { seen, played, dense: size !== 'large' };
  return (
    <div className="sheet-music" style={{ paddingLeft: GUTTER }}>
      <EngravedLines
        systems={[svg]}
        label={label}
        {...(rings ? { differs: rings } : {})}
        over={(layout) => (lanes ? <PencilOver marks={seen.pencil} layout={layout} /> : null)}
        above={(layout) => (
          <>
            {over?.(layout)}
            {lanes ? <LanesAbove {...about} layout={layout} /> : null}
          </>
        )}
        below={(layout) => (
          <>
            {lanes ? <LanesBelow {...about} layout={layout} /> : null}
            {under?.(layout)}
          </>
        )}
      />
    </div>
  );
}

/** The letter of the rhythm of each bar, at its first note. */
function familyTexts({ excerpt: { played }, bars: [from, to] }: DrawnPiece): readonly LaneText[] {
  const part = played.parts[0]?.id;
  const tags = new Map(
    rhythmFamilies(played)
      .filter((f) => f.part === part && f.staff === 1)
      .flatMap((f) => f.bars.map((bar) => [bar, f.tag] as const)),
  );
  const first = new Map<number, string>();
  for (const n of played.notes)
    if (n.part === part && n.staff === 1 && n.grace === null && !first.has(n.bar)) first.set(n.bar, n.id);
  return [...first].flatMap(([bar, noteId]): LaneText[] => {
    const tag = tags.get(bar);
    return tag === undefined || bar < from || bar > to ? [] : [{ noteId, text: tag, source: 'teacher' }];
  });
}

/** Notes whose marks were set or changed after a time. */
export const changedSince = (marks: readonly Mark[], since: string): ReadonlySet<string> =>
  new Set(marks.flatMap((m) => ('noteId' in m && m.updatedAt > since ? [m.noteId] : [])));

export interface PieceLook {
  readonly size: PrintSize;
  /** Rhythms that are the same have the same letter. */
  readonly families: boolean;
  /** Only lines in which one of these notes stands; null for all. */
  readonly only: ReadonlySet<string> | null;
  /** Beside the title. */
  readonly under: string;
}

/** Lines in which one of some notes stands. */
const linesWith = (lines: readonly string[], notes: ReadonlySet<string> | null): readonly string[] =>
  notes === null ? lines : lines.filter((svg) => [...notes].some((id) => svg.includes(`id="${id}"`)));

/** A piece with everything that is marked in it, line by line. */
export function pieceBlocks(drawn: DrawnPiece, { size, families, only, under }: PieceLook): readonly SheetBlock[] {
  const { piece, student, excerpt } = drawn;
  const lines = linesWith(excerpt.lines, only);
  const tags = families ? familyTexts(drawn) : [];
  const dense = size !== 'large';
  return [
    { key: 'head', content: <PieceHead title={piece.title} under={under} who={student?.name ?? ''} /> },
    ...(lines.length === 0 ? [{ key: 'none', content: <p>Nothing has changed since it was printed.</p> }] : []),
    ...lines.map((svg, i) => ({
      key: `line ${i}`,
      content: (
        <div className="sheet-line">
          <MusicLine
            drawn={drawn}
            svg={svg}
            size={size}
            over={(layout) =>
              tags.some((t) => layout.notes.has(t.noteId)) ? (
                <TextLane name="Rhythms" bare layout={layout} texts={tags} ruled={false} dense={dense} />
              ) : null
            }
          />
        </div>
      ),
    })),
    ...(families
      ? [
          {
            key: 'families',
            content: <p className="sheet-caution">Bars with the same letter have the same rhythm.</p>,
          },
        ]
      : []),
  ];
}
