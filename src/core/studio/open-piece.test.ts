import { describe, expect, it } from 'vitest';
import { emptyGrid } from '../bargrid';
import { scoreToMidi } from '../midi';
import { openAbc, openEdition, openGrid, openPiece, readKept } from './open-piece';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const ABC = 'X:1\nM:4/4\nL:1/4\nK:C\nC D E F | G A B c | e f g a | c4 |]\n';
const abc = (text = ABC) => {
  const opened = openAbc(text, 'tune.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value;
};

describe('whatever a teacher brings', () => {
  it('is told by its content, not by its name', async () => {
    const opened = await openPiece(bytes(ABC), 'tune.txt');
    expect(opened).toMatchObject({ ok: true, value: { format: 'abc', original: ABC, encoding: 'utf-8', bom: false } });
    expect(await openPiece(bytes(abc().text), 'noname')).toMatchObject({
      ok: true,
      value: { format: 'musicxml', original: null, text: abc().text },
    });
  });
  it('is a document and its score, the same however it came', async () => {
    const again = await openPiece(bytes(abc().text), 'tune.musicxml');
    if (!again.ok) throw new Error(again.issue.message);
    const heard = (piece: ReturnType<typeof abc>) => piece.read.score.notes.map((n) => [n.onset, n.duration, n.midi]);
    expect(heard(again.value)).toEqual(heard(abc()));
  });
  it('is rough from MIDI, and says so', async () => {
    const { score } = abc().read;
    const midi = scoreToMidi(score, {
      from: 0,
      to: 3,
      tempo: 90,
      repeats: false,
      staves: null,
      countIn: false,
      click: false,
    });
    const opened = await openPiece(midi, 'tune.mid');
    if (!opened.ok) throw new Error(opened.issue.message);
    expect(opened.value.format).toBe('midi');
    expect(opened.value.read.score.notes.map((n) => n.midi)).toEqual(score.notes.map((n) => n.midi));
  });
  it('is bars to fill when a printed page is laid out', () => {
    const opened = openGrid(
      emptyGrid({
        title: 'Page',
        composer: '',
        bars: 4,
        staves: 1,
        clef: 'treble',
        meter: '3/4',
        key: 'C',
        pickup: '',
        perMinute: 80,
      }),
      'page.json',
    );
    expect(opened.ok && opened.value.read.score.bars.length).toBe(4);
    expect(opened.ok && opened.value.format).toBe('grid');
  });
  it.each([
    ['nothing at all', ''],
    ['a picture', '\u0089PNG\r\n'],
    ['a web page', '<!doctype html><html><body>no music</body></html>'],
    ['half a score', '<score-partwise version="4.0"><part id="P1"><measure>'],
    ['ABC without a tune', 'X:1\nT:Only a name\n'],
  ])('is refused with the name of the file when it is %s', async (_, text) => {
    const opened = await openPiece(bytes(text), 'mine.abc.xml');
    expect(opened.ok).toBe(false);
    if (!opened.ok) {
      expect(opened.issue.message).toContain('mine.abc.xml');
      expect(opened.issue.message.length).toBeGreaterThan(30);
    }
  });
});

describe('a corrected edition of a kept piece', () => {
  const first = { source: abc().text, fileName: 'tune.abc' };
  const before = () => {
    const read = readKept(first);
    if (!read.ok) throw new Error(read.issue.message);
    return read.value;
  };
  it('keeps ids by content, and reads the same when it is opened from what is kept', () => {
    const edition = openEdition(before(), undefined, abc('X:1\nM:4/4\nL:1/4\nK:C\nC D E F | e f g a | c4 |]\n'));
    const third = before().score.notes.filter((n) => n.bar === 2);
    const kept = readKept({ source: edition.opened.text, fileName: 'tune.abc', kept: edition.kept });
    if (!kept.ok) throw new Error(kept.issue.message);
    const now = kept.value.score.notes.filter((n) => n.bar === 1);
    expect(now.map((n) => n.id)).toEqual(third.map((n) => n.id));
    expect(edition.kept.edition).toBe(2);
    const again = openEdition(kept.value, edition.kept, abc());
    expect(again.kept.edition).toBe(3);
    expect(again.newBars).toEqual([1]);
  });
  it('that cannot be read is a failure, not a throw', () =>
    expect(readKept({ source: '<score-partwise>', fileName: 'tune.abc' })).toMatchObject({ ok: false }));
});
