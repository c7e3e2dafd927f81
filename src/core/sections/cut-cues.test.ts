import { describe, expect, it } from 'vitest';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { readScore } from '../musicxml';
import { cutsOf } from './cuts';
import { texturesOf } from './texture';

const read = (music: string, head = 'M:2/4\nL:1/8\nK:C') => scoreOfAbc(`X:1\n${head}\n${music}`);
const reasonsAt = (music: string, bar: number, head?: string): readonly string[] =>
  cutsOf(read(music, head)).find((c) => c.bar === bar)?.reasons ?? [];
const TWO = 'M:2/4\nL:1/8\n%%score {1 2}\nV:1 clef=treble\nV:2 clef=bass\nK:C';

describe('the texture of a bar', () => {
  // What any teacher calls it (common practice).
  it.each([
    ['one line', 'V:1\ncdef |\nV:2\nz4 |'],
    ['two lines', 'V:1\ncdef |\nV:2\nC,2D,2 |'],
    ['broken chords', 'V:1\nc4 |\nV:2\nC,G,E,G, |'],
    ['a tune over chords', 'V:1\ncdef |\nV:2\n[C,E,G,]2[C,E,G,]2 |'],
    ['chords', 'V:1\n[ceg]4 |\nV:2\n[C,G,]4 |'],
    ['silence', 'V:1\nz4 |\nV:2\nz4 |'],
  ])('is %s', (name, music) => expect(texturesOf(read(music, TWO))[0]?.name).toBe(name));
});

describe('cues of a cut', () => {
  it('another printed level, not the first and not the same again', () => {
    const music = '!p!c2d2 | e2f2 | !f!g2a2 | !f!g2e2 |]';
    expect(reasonsAt(music, 2)).toContain('f after p');
    expect(reasonsAt(music, 3).join()).not.toContain('after');
  });
  it('another clef', () => {
    const clef = (sign: string, line: number): string => `<clef><sign>${sign}</sign><line>${line}</line></clef>`;
    const bar = (n: number, attributes: string): string =>
      `<measure number="${n}">${attributes === '' ? '' : `<attributes>${attributes}</attributes>`}<note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration></note></measure>`;
    const first = `<divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time>${clef('G', 2)}`;
    const read = readScore(
      `<score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Cello</part-name></score-part></part-list><part id="P1">${bar(1, first)}${bar(2, '')}${bar(3, clef('F', 4))}${bar(4, '')}</part></score-partwise>`,
      'clef.musicxml',
    );
    if (!read.ok) throw new Error(read.issue.message);
    const at = (n: number): readonly string[] => cutsOf(read.value.score).find((c) => c.bar === n)?.reasons ?? [];
    expect(at(2)).toContain('clef changes');
    expect(at(1).join()).not.toContain('clef');
  });
  it('another texture, by its name', () =>
    expect(
      reasonsAt('V:1\nc2d2 | e2f2 | g2e2 | c4 |]\nV:2\nC,2B,,2 | C,2D,2 | [C,E,G,]4 | [C,E,G,]4 |]', 2, TWO),
    ).toContain('a tune over chords after two lines'));
});
