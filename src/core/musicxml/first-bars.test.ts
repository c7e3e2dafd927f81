import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { firstBarsOf } from './first-bars';
import { readFirstBars, readMusicXmlFile } from './read-file';

const bytes = readFileSync('tests/pieces/petzold-menuet.musicxml');
const whole = readMusicXmlFile(bytes, 'menuet.musicxml');

describe('the first bars of a file', () => {
  it('hold what they hold in the whole file', () => {
    const first = readFirstBars(bytes, 'menuet.musicxml', 3);
    if (!whole.ok || !first) throw new Error('not read');
    const { score } = first.read;
    expect(score.bars).toHaveLength(3);
    const heard = (s: typeof score) =>
      s.notes.flatMap((n) => (n.bar < 3 ? [[n.bar, n.onset, n.duration, n.midi, n.staff]] : []));
    expect(heard(score)).toEqual(heard(whole.value.score));
    expect(score.parts.map((p) => p.name)).toEqual(whole.value.score.parts.map((p) => p.name));
    expect(score.bars[0]?.meter).toEqual(whole.value.score.bars[0]?.meter);
  });
  it('are cut from every part', () => {
    const part = (id: string): string => `<part id="${id}">${'<measure number="1"><note/></measure>'.repeat(5)}</part>`;
    const cut = firstBarsOf(`<score-partwise><part-list/>${part('P1')}${part('P2')}</score-partwise>`, 2);
    expect(cut?.match(/<measure/g)).toHaveLength(4);
    expect(cut?.match(/<part /g)).toHaveLength(2);
  });
  it.each([
    ['a file of so few bars', '<score-partwise><part id="P1"><measure></measure></part></score-partwise>'],
    ['a file that goes bar by bar', '<score-timewise><measure><part id="P1"/></measure></score-timewise>'],
    ['bars without an end', '<score-partwise><part id="P1"><measure/><measure/></part></score-partwise>'],
    ['comments, which may hold anything', '<score-partwise><!-- </measure> --><part id="P1"></part></score-partwise>'],
    ['no document', 'X:1'],
  ])('are not told of %s', (_, text) => expect(firstBarsOf(text, 1)).toBeNull());
  it('are null for what is no MusicXML', () =>
    expect(readFirstBars(new TextEncoder().encode('%PDF-1.7'), 'x.pdf', 3)).toBeNull());
});
