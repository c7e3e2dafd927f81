import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { openAbc, openPiece } from '../../studio';
import { computeBeams } from '../beams';
import { writeExcerpt } from './write-excerpt';
import { readScore } from '../read-score';

const opened = await openPiece(readFileSync('tests/pieces/petzold-menuet.musicxml'), 'm.musicxml');
if (!opened.ok) throw new Error(opened.issue.message);
const { text, read } = opened.value;

const again = (document: string) => {
  const result = readScore(document, 'excerpt.xml');
  if (!result.ok) throw new Error(result.issue.message);
  return result.value.score;
};

describe('excerpts', () => {
  it('hold just the bars asked for, with the same ids, lengths and pitches', () => {
    const excerpt = again(writeExcerpt(text, read, { from: 4, to: 7 }));
    expect(excerpt.bars.map((b) => [b.id, b.number])).toEqual([4, 5, 6, 7].map((i) => [`bar-${i + 1}`, String(i + 1)]));
    const wanted = read.score.notes.filter((n) => n.bar >= 4 && n.bar <= 7);
    expect(excerpt.notes.map((n) => [n.id, n.midi, n.staff, n.duration / excerpt.ticksPerQuarter])).toEqual(
      wanted.map((n) => [n.id, n.midi, n.staff, n.duration / read.score.ticksPerQuarter]),
    );
  });
  it('put key, meter and clefs in force in front', () => {
    const excerpt = again(writeExcerpt(text, read, { from: 10, to: 10 }));
    expect(excerpt.bars[0]).toMatchObject({ key: { fifths: 1 }, meter: { parts: [{ groups: [3], unit: 4 }] } });
    expect(excerpt.parts[0]?.attributes[0]?.clefs?.map((c) => c.clef.sign)).toEqual(['G', 'F']);
  });
  it('clamp a range that goes past the piece', () =>
    expect(again(writeExcerpt(text, read, { from: 14, to: 400 })).bars).toHaveLength(2));
  it('keep a hairpin that goes over their edges: taken up at the first bar, left at the last', () => {
    const long = 'X:1\nM:4/4\nL:1/4\nK:C\n!<(!C D E F|G A B c|c B A !<)!G|!>(!F E D C|!>)!C4|C4|';
    const tune = openAbc(long, 'x.abc');
    if (!tune.ok) throw new Error(tune.issue.message);
    const wedges = (from: number, to: number): string[] => {
      const score = again(writeExcerpt(tune.value.text, tune.value.read, { from, to }));
      return score.directions.flatMap((d) =>
        d.kind === 'wedge' ? [`${d.role} ${(d.onset - (score.bars[0]?.onset ?? 0)) / score.ticksPerQuarter}`] : [],
      );
    };
    expect(wedges(0, 2)).toEqual(['crescendo 0', 'stop 11']);
    expect(wedges(0, 0)).toEqual(['crescendo 0', 'stop 4']);
    expect(wedges(1, 1)).toEqual(['crescendo 0', 'stop 4']);
    expect(wedges(2, 3)).toEqual(['crescendo 0', 'stop 3', 'diminuendo 4', 'stop 8']);
    // One that ends where the excerpt begins is not taken up, and nothing is left of it behind its end.
    expect(wedges(4, 5).filter((w) => !w.startsWith('stop'))).toEqual([]);
    expect(wedges(5, 5)).toEqual([]);
  });
  it('let nothing through but music', () => {
    const hostile = text
      .replace('<note>', '<script>alert(1)</script><note onclick="x()"><evil/>')
      .replace('<work-title>Menuet', '<work-title>&lt;script&gt;')
      .replace('<repeat direction="backward"/>', '<repeat direction="backward" times="1000000000"/>');
    const bad = readScore(hostile, 'h.xml');
    if (!bad.ok) throw new Error(bad.issue.message);
    const document = writeExcerpt(hostile, bad.value, { from: 0, to: 15 });
    expect(document).not.toMatch(/script|evil|onclick|times=/);
  });
});

describe('beams where the source has none', () => {
  const eighth = (id: string, onset: number) => ({ id, onset, duration: 24, flags: 1 });
  const beams = (onsets: readonly number[], groups: number[], unit: number) => [
    ...computeBeams(
      onsets.map((o) => eighth(`n${o}`, o)),
      { parts: [{ groups, unit }], symbol: null },
      48,
    ).entries(),
  ];
  // Eighths are beamed by half bars in 4/4, by beats in 6/8: common practice.
  it('join four eighths in 4/4, not over the middle', () =>
    expect(beams([48, 72, 96, 120], [4], 4)).toEqual([
      ['n48', 'begin'],
      ['n72', 'end'],
      ['n96', 'begin'],
      ['n120', 'end'],
    ]));
  it('join three eighths in 6/8', () =>
    expect(beams([0, 24, 48, 72, 96, 120], [6], 8).map(([, b]) => b)).toEqual([
      'begin',
      'continue',
      'end',
      'begin',
      'continue',
      'end',
    ]));
  it('leave a single eighth its flag', () => expect(beams([0], [4], 4)).toEqual([]));
});
