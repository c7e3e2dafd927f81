import type { ReactNode } from 'react';
import { instrumentOf } from '@/core/instruments';
import { lineSpans } from '@/core/performance';
import { chordSheet, type ChordLine } from '@/core/sheet';
import { isSection } from '@/core/way';
import { ChordShapes, shapesOf, stringNames } from '@/marked';
import { withSigns } from '@/ui';
import type { DrawnPiece } from './draw-piece';
import { PieceHead } from './piece-blocks';
import type { SheetBlock } from './sheet-block';

/** One row of words, each chord over the syllable that is sung with it. */
function Row({ segments }: Pick<ChordLine['verses'][number], 'segments'>): ReactNode {
  return (
    <p className="sheet-song">
      {segments.map((s, i) => (
        <span key={i}>
          <b translate="no">{withSigns(s.chord)}</b>
          <span translate="no">{s.text === '' ? '\u00a0' : s.text}</span>
        </span>
      ))}
    </p>
  );
}

/** The patterns of the strum, from which bar on. */
function Patterns({ drawn: { score, marks, piece } }: { readonly drawn: DrawnPiece }): ReactNode {
  const patterns = marks.flatMap((m) => {
    const bar = m.kind === 'strum' && m.pieceId === piece.id ? score.bars.find((b) => b.id === m.barId) : undefined;
    return bar && m.kind === 'strum' ? [{ bar, pattern: m.pattern }] : [];
  });
  if (patterns.length === 0) return null;
  return (
    <p>
      <strong>Strum:</strong>{' '}
      {patterns
        .sort((a, b) => a.bar.index - b.bar.index)
        .map(({ bar, pattern }) => (patterns.length === 1 ? pattern : `from bar ${bar.name} ${pattern}`))
        .join('; ')}
    </p>
  );
}

/** A song as words with chords above them, its shapes and its pattern. None where no chords are printed. */
export function chordBlocks(drawn: DrawnPiece, under: string): readonly SheetBlock[] {
  const { piece, student, score, places, bars, excerpt } = drawn;
  const [from, to] = bars;
  // Chunks are for practising: a line goes to the end of a section, or of four bars.
  const sections = places.filter((p) => isSection(p.section));
  const ends = sections.map((p) => p.to);
  const lines = chordSheet(score, lineSpans(score, from, to, ends));
  const { fingers } = instrumentOf(piece.instrument);
  const strings = fingers?.kind === 'fretted' ? fingers : null;
  const verses = [...new Set(lines.flatMap((l) => l.verses.map((v) => v.verse)))];
  return [
    { key: 'head', content: <PieceHead title={piece.title} under={under} who={student?.name ?? ''} /> },
    ...(strings
      ? [
          {
            key: 'shapes',
            content: (
              <ChordShapes
                shapes={shapesOf(score.chords, strings)}
                names={stringNames(piece.instrument)}
                className="sheet-shapes"
              />
            ),
          },
        ]
      : []),
    { key: 'patterns', content: <Patterns drawn={drawn} /> },
    ...verses.map((verse, i) => ({
      key: `verse ${verse}`,
      content: (
        <div className="sheet-line">
          {verses.length > 1 ? <h2>{i + 1}</h2> : null}
          {lines.flatMap((line) =>
            line.verses.filter((v) => v.verse === verse).map((v) => <Row key={line.from} segments={v.segments} />),
          )}
        </div>
      ),
    })),
    ...(lines.length === 0 ? [{ key: 'none', content: <p>No chords are printed in {excerpt.label}.</p> }] : []),
  ];
}
