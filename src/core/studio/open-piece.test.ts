import { zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { changeBar, emptyGrid } from '../bargrid';
import { scoreToMidi } from '../midi';
import { openAbc, openEdition, openGrid, openPiece, readKept } from './open-piece';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const ABC = 'X:1\nM:4/4\nL:1/4\nK:C\nC D E F | G A B c | e f g a | c4 |]\n';
const abc = (text = ABC) => {
  const opened = openAbc(text, 'tune.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value;
};

/** A printed page of so many empty bars in 3/4. */
const page = (bars: number) =>
  emptyGrid({
    title: 'Page',
    composer: '',
    bars,
    staves: 1,
    clef: 'treble',
    meter: '3/4',
    key: 'C',
    pickup: '',
    perMinute: 80,
  });

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
    const rough = opened.value.read.score.warnings.filter((w) => w.code === 'rough-midi');
    expect(rough.length).toBeGreaterThan(0);
    expect(rough[0]).toMatchObject({ bar: null, number: null, part: null });
    expect([opened.value.bom, opened.value.encoding, opened.value.original]).toEqual([false, 'utf-8', null]);
  });
  it('keeps what a reader of ABC has to say, with bar and voice, before the warnings of the score', () => {
    const two = 'X:1\nM:4/4\nL:1/4\nK:C\nV:1\nC4|!what!D4|\nV:2\nC4|!no!C4|\n';
    const warnings = abc(two).read.score.warnings.filter((w) => w.code === 'abc');
    expect(warnings.map((w) => [w.bar, w.number, w.part])).toEqual([
      [1, '2', null],
      [1, '2', null],
    ]);
    expect(warnings[0]?.message).toBe('bar 2, voice 1: the decoration !what! is not known and is left out');
    expect(abc(two).read.score.warnings.slice(0, 2)).toEqual(warnings);
    expect(abc(ABC).read.score.warnings.filter((w) => w.code === 'abc')).toEqual([]);
  });
  it('is unzipped where it is zipped', async () => {
    const container =
      '<?xml version="1.0"?><container><rootfiles><rootfile full-path="tune.xml"/></rootfiles></container>';
    const zip = zipSync({ 'META-INF/container.xml': bytes(container), 'tune.xml': bytes(abc().text) });
    const opened = await openPiece(zip, 'tune.mxl');
    expect(opened).toMatchObject({ ok: true, value: { format: 'mxl', text: abc().text, original: null, bom: false } });
  });
  it('keeps the sign of the byte order, so that the file is written back as it was', async () =>
    expect(await openPiece(bytes(`\uFEFF${abc().text}`), 'tune.xml')).toMatchObject({
      ok: true,
      value: { bom: true },
    }));
  it('is bars to fill when a printed page is laid out', () => {
    const opened = openGrid(page(4), 'page.json');
    expect(opened.ok && opened.value.read.score.bars.length).toBe(4);
    expect(opened.ok && opened.value.format).toBe('grid');
  });
  it('says where the notes typed into a laid-out page do not fit', () => {
    const opened = openGrid(changeBar(page(2), 1, { typed: ['C4 C4 C4 C4 C4 C4 C4'] }), 'page.json');
    if (!opened.ok) throw new Error(opened.issue.message);
    const [warning] = opened.value.read.score.warnings;
    expect(warning).toMatchObject({ code: 'grid', bar: 1, number: null, part: null });
    expect(warning?.message.length).toBeGreaterThan(10);
    expect(opened.value.bom).toBe(false);
    expect(JSON.parse(opened.value.original ?? '')).toMatchObject({ kind: 'bar-grid' });
    // A page that cannot be a piece is refused, not thrown.
    expect(openGrid(changeBar(page(2), 0, { meter: 'no' }), 'page.json')).toMatchObject({
      ok: false,
      issue: { code: 'grid-meter' },
    });
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
    // What is shown at once has the ids that it will have when it is opened again.
    expect(edition.opened.read.score.notes.map((n) => n.id)).toEqual(kept.value.score.notes.map((n) => n.id));
    const again = openEdition(kept.value, edition.kept, abc());
    expect(again.kept.edition).toBe(3);
    expect(again.newBars).toEqual([1]);
  });
  it('that cannot be read is a failure, not a throw', () =>
    expect(readKept({ source: '<score-partwise>', fileName: 'tune.abc' })).toMatchObject({ ok: false }));
});

describe('a score that is laid over printed pages', () => {
  const grid = emptyGrid({
    title: 'Air',
    composer: '',
    bars: 3,
    staves: 1,
    clef: 'treble',
    meter: '4/4',
    key: 'C',
    pickup: '',
    perMinute: null,
  });
  const opened = openGrid(grid, 'pages');
  const over = (abc: string) => {
    const later = openAbc(`X:1\nL:1/4\nK:C\n${abc}`, 'air.abc');
    if (!opened.ok || !later.ok) throw new Error('not opened');
    return openEdition(opened.value.read, undefined, later.value);
  };
  it('takes the bars one by one, in their order, with its notes', () => {
    const laid = over('C4 | D4 | E4 |]');
    expect(laid.opened.read.score.bars.map((b) => b.id)).toEqual(['g1', 'g2', 'g3']);
    expect(laid.opened.read.score.notes).toHaveLength(3);
    expect([laid.newBars, laid.match.lostBars]).toEqual([[], []]);
  });
  it('says which bars are too many and which are missing', () => {
    expect(over('C4 | D4 | E4 | F4 |]').newBars).toEqual([3]);
    expect(over('C4 |]').match.lostBars).toEqual(['g2', 'g3']);
  });
});
