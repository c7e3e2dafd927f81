import { describe, expect, it } from 'vitest';
import { playingOrder } from '../score';
import { partDocument } from './part-document';
import { readScore, type ReadScore } from './read-score';

const read = (text: string): ReadScore => {
  const result = readScore(text, 'x.musicxml');
  if (!result.ok) throw new Error(result.issue.message);
  return result.value;
};
const HEADS =
  '<work><work-title>Whole</work-title></work><part-list><score-part id="P1"><part-name>Flute</part-name></score-part><score-part id="P2"><part-name>Horn</part-name></score-part></part-list>';
const START = '<attributes><divisions>2</divisions><time><beats>2</beats><beat-type>4</beat-type></time></attributes>';
const NOTE = '<note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration></note>';
const REST = '<note><rest measure="yes"/><duration>4</duration></note>';
const TEMPO =
  '<direction><direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>66</per-minute></metronome></direction-type><sound tempo="66"/></direction>';
const RIT = '<direction><direction-type><words>rit.</words></direction-type></direction>';
const LETTER = '<direction><direction-type><rehearsal>B</rehearsal></direction-type></direction>';
const JUMP = '<direction><direction-type><words>D.C.</words></direction-type><sound dacapo="yes"/></direction>';
const FLUTE = [START + TEMPO + NOTE, NOTE, NOTE, RIT + NOTE, LETTER + NOTE, NOTE + JUMP];
const HORN = [START + NOTE, REST, REST, REST, NOTE, NOTE];
const partwise = `<score-partwise version="4.0">${HEADS}${[FLUTE, HORN]
  .map(
    (bars, p) =>
      `<part id="P${p + 1}">${bars.map((b, i) => `<measure number="${i + 1}">${b}</measure>`).join('')}</part>`,
  )
  .join('')}</score-partwise>`;
const timewise = `<score-timewise version="4.0">${HEADS}${FLUTE.map(
  (flute, i) =>
    `<measure number="${i + 1}"><part id="P1">${flute}</part><part id="P2">${HORN[i] ?? ''}</part></measure>`,
).join('')}</score-timewise>`;

describe.each([
  ['partwise', partwise],
  ['timewise', timewise],
])('a part of a score that is written %s', (_, text) => {
  const document = partDocument(text, read(text), ['P2']);
  const { score } = read(document);
  it('is a document of its own, with its notes, bars and work', () => {
    expect(score.parts.map((p) => p.name)).toEqual(['Horn']);
    expect(score.notes.map((n) => n.bar)).toEqual([0, 4, 5]);
    expect(score.bars.map((b) => b.number)).toEqual(['1', '2', '3', '4', '5', '6']);
    expect(score.origin.work).toBe('Whole');
    expect(score.warnings).toEqual([]);
  });
  it('has what is printed once for all: tempo, words of time, letters, jumps', () => {
    expect(score.tempos.map((t) => [t.bar, t.bpm])).toEqual([[0, 66]]);
    const said = score.directions.flatMap((d) => ('text' in d ? [`${d.bar} ${d.kind} ${d.text}`] : []));
    expect(said).toEqual(['3 words rit.', '4 rehearsal B', '5 words D.C.']);
    expect(playingOrder(score.bars).order).toEqual(playingOrder(read(text).score.bars).order);
  });
  it('has runs of rests under one sign, broken where something is to be seen', () => {
    expect([...document.matchAll(/<multiple-rest>(\d+)</g)].map(([, n]) => n)).toEqual(['2']);
  });
  it('says nothing twice that it has itself', () => {
    const own = read(partDocument(text, read(text), ['P1'])).score;
    expect(own.tempos).toHaveLength(1);
    expect(own.directions.filter((d) => d.kind === 'rehearsal')).toHaveLength(1);
  });
});
