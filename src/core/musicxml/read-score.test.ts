import { strToU8, zipSync } from 'fflate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { meterText, playingOrder } from '../score';
import { decodeText, encodeText } from './decode';
import { readMusicXmlFile } from './read-file';
import { readScore } from './read-score';

const note = (step: string, octave: number, duration: number, more = ''): string =>
  `<note><pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>${duration}</duration>${more}</note>`;
const doc = (measures: string, head = ''): string =>
  `<?xml version="1.0"?><score-partwise version="4.0">${head}<part-list><score-part id="P1"><part-name>A</part-name></score-part></part-list><part id="P1">${measures}</part></score-partwise>`;
const START = '<attributes><divisions>4</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>';

const read = (text: string) => {
  const result = readScore(text, 'test.xml');
  if (!result.ok) throw new Error(result.issue.message);
  return result.value.score;
};
const codes = (text: string): string[] => read(text).warnings.map((w) => w.code);
const refusal = (bytes: Uint8Array, name = 'test.xml'): string => {
  const result = readMusicXmlFile(bytes, name);
  return result.ok ? 'read' : result.issue.code;
};
const text = (s: string): Uint8Array => new TextEncoder().encode(s);

describe('reading MusicXML', () => {
  it('places two voices with backup, and chords with their first note', () => {
    const score = read(
      doc(
        `<measure number="1">${START}${note('C', 5, 8)}${note('E', 5, 8, '<chord/>').replace('<note>', '<note>')}${note('D', 5, 8)}<backup><duration>16</duration></backup>${note('C', 4, 16, '<voice>2</voice>')}</measure>`,
      ),
    );
    expect(score.notes.map((n) => [n.onset / score.ticksPerQuarter, n.midi])).toEqual([
      [0, 60],
      [0, 72],
      [0, 76],
      [2, 74],
    ]);
  });

  it('keeps tuplets exact: three in the time of two', () => {
    const triplet =
      '<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification>';
    const score = read(
      doc(
        `<measure number="1"><attributes><divisions>3</divisions><time><beats>1</beats><beat-type>4</beat-type></time></attributes>${note('C', 4, 1, triplet)}${note('D', 4, 1, triplet)}${note('E', 4, 1, triplet)}</measure>`,
      ),
    );
    expect(score.notes.map((n) => n.onset * 3)).toEqual([0, 1, 2].map((k) => k * score.ticksPerQuarter));
  });

  it('sounds a B flat trumpet a whole step lower and keeps the written pitch', () => {
    const score = read(
      doc(
        `<measure number="1">${START.replace('</attributes>', '<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes>')}${note('C', 5, 16)}</measure>`,
      ),
    );
    expect(score.notes[0]?.midi).toBe(70);
    expect(score.notes[0]?.pitch).toEqual({ step: 'C', alter: 0, octave: 5 });
  });

  it('reads additive, compound-sum and free meters', () => {
    const meter = (xml: string): string =>
      meterText(
        read(
          doc(
            `<measure number="1"><attributes><divisions>4</divisions><time>${xml}</time></attributes>${note('C', 4, 10)}</measure>`,
          ),
        ).bars[0]?.meter ?? {
          parts: [],
          symbol: null,
        },
      );
    expect(meter('<beats>3+2</beats><beat-type>8</beat-type>')).toBe('3+2/8');
    expect(meter('<beats>2</beats><beat-type>4</beat-type><beats>1</beats><beat-type>8</beat-type>')).toBe('2/4+1/8');
    expect(meter('<senza-misura/>')).toBe('free');
  });

  it('reads score-timewise to the same score', () => {
    const inner = `${START}${note('C', 4, 16)}`;
    const partwise = read(
      doc(`<measure number="1">${inner}</measure><measure number="2">${note('D', 4, 16)}</measure>`),
    );
    const timewise = read(
      `<score-timewise><part-list><score-part id="P1"><part-name>A</part-name></score-part></part-list><measure number="1"><part id="P1">${inner}</part></measure><measure number="2"><part id="P1">${note('D', 4, 16)}</part></measure></score-timewise>`,
    );
    expect(timewise.notes).toEqual(partwise.notes);
    expect(timewise.bars).toEqual(partwise.bars);
  });

  it('reads D.C. al Fine from words and from sound', () => {
    const bars = (fine: string, jump: string): number[] => [
      ...playingOrder(
        read(
          doc(
            `<measure number="1">${START}${note('C', 4, 16)}${fine}</measure><measure number="2">${note('D', 4, 16)}${jump}</measure>`,
          ),
        ).bars,
      ).order,
    ];
    const words = (w: string): string => `<direction><direction-type><words>${w}</words></direction-type></direction>`;
    expect(bars(words('Fine'), words('D.C. al Fine'))).toEqual([0, 1, 0]);
    expect(bars('<sound fine="yes"/>', '<sound dacapo="yes"/>')).toEqual([0, 1, 0]);
  });

  it('takes tempo from the sound, a dotted unit, and a metric modulation', () => {
    const tempo = (xml: string): number[] =>
      read(doc(`<measure number="1">${START}${xml}${note('C', 4, 16)}</measure>`)).tempos.map((t) => t.bpm);
    const metronome = (xml: string): string =>
      `<direction><direction-type><metronome>${xml}</metronome></direction-type></direction>`;
    expect(tempo(metronome('<beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>60</per-minute>'))).toEqual([90]);
    expect(
      tempo('<direction><direction-type><words>x</words></direction-type><sound tempo="72"/></direction>'),
    ).toEqual([72]);
    expect(
      tempo(
        `<sound tempo="120"/>${note('C', 4, 16)}${metronome('<beat-unit>eighth</beat-unit><beat-unit>quarter</beat-unit>')}`,
      ),
    ).toEqual([120, 240]);
  });

  it('gives made ids to bars and notes and keeps written ones', () => {
    const score = read(
      doc(
        `<measure number="1" id="m1">${START}<note id="mine"><pitch><step>C</step><octave>4</octave></pitch><duration>8</duration></note>${note('D', 4, 8)}</measure>`,
      ),
    );
    expect(score.bars[0]?.id).toBe('m1');
    expect(score.notes.map((n) => n.id)).toEqual(['mine', 'p1-b1-n2']);
  });
});

describe('bad and hostile input', () => {
  const one = (inner: string): string => doc(`<measure number="1">${START}${inner}</measure>`);
  it.each([
    ['a backup before the bar', one(`<backup><duration>4</duration></backup>${note('C', 4, 16)}`), 'backup-before-bar'],
    [
      'a chord note without a note',
      one(`${note('C', 4, 16, '').replace('<note>', '<note><chord/>')}`),
      'chord-without-note',
    ],
    ['step H', one(note('H', 4, 16)), 'bad-pitch'],
    ['octave 99', one(note('C', 99, 16)), 'bad-pitch'],
    ['a negative length', one(note('C', 4, -4)), 'bad-duration'],
    ['an over-full bar', one(note('C', 4, 20)), 'bar-overfull'],
    [
      'zero divisions',
      doc(
        `<measure number="1"><attributes><divisions>0</divisions></attributes>${note('C', 4, 4, '<type>quarter</type>')}</measure>`,
      ),
      'bad-divisions',
    ],
    [
      'missing divisions',
      doc(`<measure number="1">${note('C', 4, 4, '<type>quarter</type>')}</measure>`),
      'no-divisions',
    ],
    ['an open tie', one(note('C', 4, 16, '<tie type="start"/>')), 'tie-unclosed'],
    [
      'a repeat of a billion times',
      one(`${note('C', 4, 16)}<barline location="right"><repeat direction="backward" times="1000000000"/></barline>`),
      'bad-repeat',
    ],
    [
      'the same bar number twice',
      doc(`<measure number="1">${START}${note('C', 4, 16)}</measure><measure number="1">${note('C', 4, 16)}</measure>`),
      'bar-number-twice',
    ],
    [
      'an undeclared entity',
      one(note('C', 4, 16)).replace('<part-list>', '<movement-title>&bomb;</movement-title><part-list>'),
      'unknown-entity',
    ],
  ])('loads %s with a warning that names bar and part', (_, source, code) => {
    expect(codes(source)).toContain(code);
    const warning = read(source).warnings.find((w) => w.code === code);
    if (warning?.bar !== null && code !== 'bar-number-twice') expect(warning).toMatchObject({ bar: 0, part: 'P1' });
  });

  it.each([
    ['nothing', new Uint8Array(), 'empty-file'],
    ['a PDF', text('%PDF-1.7'), 'is-pdf'],
    ['a web page', text('<!DOCTYPE html><html></html>'), 'is-html'],
    ['plain words', text('hello'), 'unknown-format'],
    ['a cut-off file', text(one(note('C', 4, 16)).slice(0, -40)), 'broken-xml'],
    ['another root', text('<svg xmlns="http://www.w3.org/2000/svg"/>'), 'wrong-root'],
    ['no part', text('<score-partwise><part-list/></score-partwise>'), 'no-parts'],
    ['no bars', text('<score-partwise><part id="P1"/></score-partwise>'), 'no-bars'],
    ['a damaged zip', text('PK\u0003\u0004rubbish'), 'mxl-broken'],
    [
      'deep nesting',
      text(
        `<score-partwise><part id="P1"><measure number="1">${'<a>'.repeat(100)}${'</a>'.repeat(100)}</measure></part></score-partwise>`,
      ),
      'too-deep',
    ],
    ['too many bars', text(doc('<measure number="1"/>'.repeat(20_001))), 'too-many-bars'],
  ])('refuses %s with a code', (_, bytes, code) => expect(refusal(bytes)).toBe(code));

  it('never expands entities of a DOCTYPE', () => {
    const bomb = `<!DOCTYPE score-partwise [<!ENTITY a "${'x'.repeat(1000)}"><!ENTITY b "&a;&a;&a;">]>${one(
      note('C', 4, 16),
    )
      .replace('<?xml version="1.0"?>', '')
      .replace('<part-list>', '<movement-title>&b;</movement-title><part-list>')}`;
    expect(read(bomb).title.length).toBeLessThan(20);
  });

  const container = (path: string): Uint8Array =>
    strToU8(`<container><rootfiles><rootfile full-path="${path}"/></rootfiles></container>`);
  const score = strToU8(one(note('C', 4, 16)));
  it('reads the first root file of an .mxl', () => {
    const result = readMusicXmlFile(
      zipSync({ 'META-INF/container.xml': container('a/score.xml'), 'a/score.xml': score }),
      'x.mxl',
    );
    expect(result.ok && result.value.zipPath).toBe('a/score.xml');
  });
  it('does not follow a path that climbs', () =>
    expect(refusal(zipSync({ 'META-INF/container.xml': container('../score.xml'), 'score.xml': score }), 'x.mxl')).toBe(
      'mxl-bad-path',
    ));
  it('refuses a container whose score is missing', () =>
    expect(refusal(zipSync({ 'META-INF/container.xml': container('b.xml'), 'a.xml': score }), 'x.mxl')).toBe(
      'mxl-no-score',
    ));

  it('survives any damage without a crash', () => {
    const good = one(
      `${note('C', 4, 8, '<tie type="start"/>')}${note('C', 4, 8, '<tie type="stop"/>')}<barline location="right"><repeat direction="backward"/></barline>`,
    );
    fc.assert(
      fc.property(fc.nat(good.length), fc.nat(12), fc.string({ maxLength: 8 }), (at, cut, put) => {
        const result = readMusicXmlFile(text(good.slice(0, at) + put + good.slice(at + cut)), 'fuzz.xml');
        if (!result.ok) expect(result.issue.code).toMatch(/^[a-z-]+$/);
      }),
      { numRuns: 10_000, seed: 4620 },
    );
  });
});

describe('encodings', () => {
  it('come back byte for byte', () => {
    const source = '<?xml version="1.0" encoding="X"?><a>é</a>';
    for (const [encoding, bom] of [
      ['utf-8', false],
      ['utf-8-bom', true],
      ['utf-16le', true],
      ['utf-16be', true],
      ['latin-1', false],
    ] as const) {
      const declared = source.replace(
        'X',
        encoding === 'latin-1' ? 'ISO-8859-1' : encoding.startsWith('utf-16') ? 'UTF-16' : 'UTF-8',
      );
      const bytes = encodeText(declared, { encoding, bom });
      const decoded = decodeText(bytes, 'x');
      expect(decoded.ok && decoded.value).toMatchObject({ text: declared, encoding });
      if (decoded.ok) expect([...encodeText(decoded.value.text, decoded.value)]).toEqual([...bytes]);
    }
  });
});

describe('a compressed file with several scores', () => {
  const score = (title: string): string =>
    `<score-partwise><movement-title>${title}</movement-title><part-list><score-part id="P1"><part-name>x</part-name></score-part></part-list><part id="P1"><measure number="1"/></part></score-partwise>`;
  const container =
    '<container><rootfiles><rootfile full-path="a.xml"/><rootfile full-path="b.xml"/></rootfiles></container>';
  const bytes = zipSync({
    'META-INF/container.xml': strToU8(container),
    'a.xml': strToU8(score('First')),
    'b.xml': strToU8(score('Second')),
  });
  const opened = (wanted?: string) => {
    const read = readMusicXmlFile(bytes, 'two.mxl', wanted);
    return read.ok ? read.value : read.issue.code;
  };
  it('offers them: by path, by number, and the first where none is said, which is said', () => {
    expect(opened()).toMatchObject({ scores: ['a.xml', 'b.xml'], zipPath: 'a.xml', score: { title: 'First' } });
    expect(opened('b.xml')).toMatchObject({ zipPath: 'b.xml', score: { title: 'Second' } });
    expect(opened('2')).toMatchObject({ score: { title: 'Second' } });
    expect(opened('3')).toBe('no-such-score');
    const first = readMusicXmlFile(bytes, 'two.mxl');
    expect(first.ok && first.value.score.warnings.map((w) => w.code)).toContain('several-scores');
    const second = readMusicXmlFile(bytes, 'two.mxl', '2');
    expect(second.ok && second.value.score.warnings.map((w) => w.code)).not.toContain('several-scores');
  });
});
