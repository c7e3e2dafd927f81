import type { ReactNode } from 'react';
import { noteAtOnset, CountLane } from '@/marked';
import { countingWay, teachingFor } from '@/core/studio';
import { worksheet, type Worksheet } from '@/core/sheet';
import { TextLane, type LaneText, type LineLayout } from '@/ui';
import type { DrawnPiece } from './draw-piece';
import type { PrintSize } from './paper';
import { MusicLine, PieceHead } from './piece-blocks';
import type { SheetBlock } from './sheet-block';

const BLANK = '__';

/** One question about the bars, and what stands at the music when it is asked and when it is answered. */
interface Question {
  readonly key: string;
  readonly ask: string;
  readonly blank: (layout: LineLayout) => ReactNode;
  readonly answer: (layout: LineLayout) => ReactNode;
  /** Above the staff; else below it. */
  readonly above?: true;
  readonly rings?: ReadonlySet<string>;
}

const lane = (name: string, texts: readonly LaneText[]) =>
  function Lane(layout: LineLayout): ReactNode {
    return <TextLane name={name} bare layout={layout} texts={texts} ruled={false} dense />;
  };
const texts = (pairs: Iterable<readonly [string, string]>): readonly LaneText[] =>
  [...pairs].map(([noteId, text]) => ({ noteId, text, source: 'printed' }));

function questions({ excerpt: { played }, bars: [from, to] }: DrawnPiece, sheet: Worksheet): readonly Question[] {
  const { names, counts, interval, phraseEnds } = sheet;
  const onsets = noteAtOnset(played, from, to);
  const nothing = (): ReactNode => null;
  const count = (layout: LineLayout): ReactNode => (
    <CountLane
      bare
      dense
      score={played}
      counts={counts}
      onsets={onsets}
      layout={layout}
      words={new Map()}
      silent="brackets"
    />
  );
  const blanks = texts([...names.keys()].map((id) => [id, BLANK] as const));
  return [
    ...(names.size > 0
      ? [
          {
            key: 'names',
            ask: 'Write the name of each note under it.',
            blank: lane('Names', blanks),
            answer: lane('Names', texts(names)),
          },
        ]
      : []),
    ...(counts.some((c) => c.tokens.length > 0)
      ? [{ key: 'counts', ask: 'Write the counts under the notes.', blank: lane('Counts', blanks), answer: count }]
      : []),
    ...(interval
      ? [
          {
            key: 'interval',
            ask: `Circle every ${interval.name}: both of its notes.`,
            blank: nothing,
            answer: nothing,
            rings: new Set(interval.pairs.flat()),
          },
        ]
      : []),
    ...(phraseEnds.length > 0
      ? [
          {
            key: 'phrases',
            ask: 'Put a comma over the music where a phrase ends.',
            above: true as const,
            blank: nothing,
            answer: lane('Phrases', texts(phraseEnds.map((id) => [id, ','] as const))),
          },
        ]
      : []),
  ];
}

/** The music of a question, with its answer or without; heading and first line stay together. */
function asked(
  drawn: DrawnPiece,
  size: PrintSize,
  question: Question,
  number: number,
  answered: boolean,
): readonly SheetBlock[] {
  const { key, ask, blank, answer, above, rings } = question;
  const at = answered ? answer : blank;
  return drawn.excerpt.lines.map((svg, i) => ({
    key: `${answered ? 'answer' : 'ask'} ${key} ${i}`,
    content: (
      <section className="sheet-line">
        {i === 0 ? (
          <div className="sheet-task-head">
            <h2>
              <span className="sheet-number">{number}</span> {ask}
            </h2>
          </div>
        ) : null}
        <MusicLine
          drawn={drawn}
          svg={svg}
          size={size}
          lanes={false}
          {...(above ? { over: at } : { under: at })}
          {...(answered && rings ? { rings } : {})}
        />
      </section>
    ),
  }));
}

/** What can be asked about the bars, with the answers on pages of their own. */
export function worksheetBlocks(drawn: DrawnPiece, size: PrintSize, under: string): readonly SheetBlock[] {
  const { piece, student, settings, marks, bars, excerpt } = drawn;
  const teaching = teachingFor(piece.teaching, student?.teaching, settings?.teaching);
  const [from, to] = bars;
  const sheet = worksheet({ played: excerpt.played, from, to, way: countingWay(teaching), marks });
  const all = questions(drawn, sheet);
  const who = student?.name ?? '';
  const head = (words: string): ReactNode => <PieceHead title={piece.title} under={words} who={who} />;
  return [
    { key: 'head', content: head(under) },
    ...all.flatMap((q, i) => asked(drawn, size, q, i + 1, false)),
    { key: 'answers', newPage: true, content: head(`${under}, answers`) },
    ...all.flatMap((q, i) => asked(drawn, size, q, i + 1, true)),
  ];
}
