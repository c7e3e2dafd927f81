// Element by element, by the MusicXML 4.0 reference (W3C Music Notation Community Group, 2021).
import { describe, expect, it } from 'vitest';
import { playingOrder, type Score } from '../score';
import { titleOf } from '../studio';
import { readScore } from './read-score';

const START = '<attributes><divisions>2</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>';
const doc = (measures: string): string =>
  `<?xml version="1.0"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>A</part-name></score-part></part-list><part id="P1">${measures}</part></score-partwise>`;
const read = (measures: string): Score => {
  const result = readScore(doc(measures), 'test.xml');
  if (!result.ok) throw new Error(result.issue.message);
  return result.value.score;
};
const note = (inside = '', duration = 8): string =>
  `<note><pitch><step>G</step><octave>4</octave></pitch><duration>${duration}</duration>${inside}</note>`;
const bar = (body: string, n = 1): string => `<measure number="${n}">${n === 1 ? START : ''}${body}</measure>`;
const marksOf = (notations: string) => read(bar(note(`<notations>${notations}</notations>`))).notes[0]?.marks;

describe('what stands at a note', () => {
  it.each([
    'accent',
    'strong-accent',
    'staccato',
    'tenuto',
    'detached-legato',
    'staccatissimo',
    'spiccato',
    'breath-mark',
    'caesura',
  ])('articulation %s', (name) =>
    expect(marksOf(`<articulations><${name}/></articulations>`)?.articulations).toEqual([name]),
  );
  it.each(['up-bow', 'down-bow', 'harmonic', 'open-string', 'thumb-position', 'pluck', 'snap-pizzicato', 'stopped'])(
    'technique %s',
    (name) => expect(marksOf(`<technical><${name}/></technical>`)?.technical).toEqual([name]),
  );
  it('fingers, strings and frets', () =>
    expect(
      marksOf(
        '<technical><fingering>3</fingering><fingering substitution="yes">1</fingering><string>2</string><fret>5</fret></technical>',
      ),
    ).toMatchObject({ fingers: ['3', '1'], strings: [2], frets: [5] }));
  it.each(['trill-mark', 'turn', 'inverted-turn', 'mordent', 'inverted-mordent', 'schleifer', 'delayed-turn'])(
    'ornament %s',
    (name) => expect(marksOf(`<ornaments><${name}/></ornaments>`)?.ornaments.map((o) => o.kind)).toEqual([name]),
  );
  it('the accidental of an ornament belongs to it', () =>
    expect(marksOf('<ornaments><turn/><accidental-mark>sharp</accidental-mark></ornaments>')?.ornaments).toEqual([
      { kind: 'turn', accidentals: ['sharp'] },
    ]));
  it('slurs by number, fermata, arpeggio, and dynamics inside the notations', () => {
    const marks = marksOf(
      '<slur type="start" number="2"/><slur type="stop" number="1"/><fermata/><arpeggiate/><dynamics><sfz/></dynamics>',
    );
    expect(marks?.slurs).toEqual([
      { role: 'start', number: '2' },
      { role: 'stop', number: '1' },
    ]);
    expect(marks).toMatchObject({ fermata: true, arpeggiate: true, dynamics: ['sfz'] });
  });
  it('syllables by verse, several in one note joined', () => {
    const lyric = (n: number, inside: string) => `<lyric number="${n}">${inside}</lyric>`;
    const score = read(
      bar(
        note(
          lyric(1, '<syllabic>begin</syllabic><text>har</text>') +
            lyric(
              2,
              '<syllabic>single</syllabic><text>of</text><elision> </elision><syllabic>single</syllabic><text>all</text>',
            ),
        ),
      ),
    );
    expect(score.notes[0]?.marks.lyrics[0]).toEqual({ verse: '1', text: 'har', syllabic: 'begin' });
    expect(score.notes[0]?.marks.lyrics[1]?.text).toMatch(/^of.?all$/);
  });
});

describe('notes', () => {
  it('grace notes take no time, with or without a stroke; cue notes are told apart', () => {
    const score = read(
      bar(
        '<note><grace slash="yes"/><pitch><step>A</step><octave>4</octave></pitch></note>' +
          '<note><grace/><pitch><step>B</step><octave>4</octave></pitch></note>' +
          '<note><cue/><pitch><step>C</step><octave>5</octave></pitch><duration>8</duration></note>',
      ),
    );
    expect(score.notes.map((n) => [n.grace, n.duration / score.ticksPerQuarter, n.aside === 'cue'])).toEqual([
      [{ slash: true }, 0, false],
      [{ slash: false }, 0, false],
      [null, 4, true],
    ]);
  });
  it('without a pitch, and rests of a whole bar', () => {
    const score = read(
      bar('<note><unpitched/><duration>8</duration></note>') +
        bar('<note><rest measure="yes"/><duration>8</duration></note>', 2),
    );
    expect(score.notes.map((n) => [n.pitch, n.midi])).toEqual([[null, null]]);
    expect(score.rests.map((r) => [r.bar, r.wholeBar])).toEqual([[1, true]]);
  });
  it('forward leaves a gap, backup goes back', () => {
    const score = read(
      bar(
        `<forward><duration>4</duration></forward>${note('', 4)}<backup><duration>8</duration></backup>${note('<voice>2</voice>')}`,
      ),
    );
    expect(score.notes.map((n) => n.onset / score.ticksPerQuarter).sort()).toEqual([0, 2]);
  });
  it('a tie goes on through a note in the middle', () => {
    const tied = (...types: readonly string[]) => note(types.map((t) => `<tie type="${t}"/>`).join(''));
    const score = read(bar(tied('start')) + bar(tied('stop', 'start'), 2) + bar(tied('stop'), 3));
    expect(score.notes.map((n) => n.tie)).toEqual(['start', 'continue', 'stop']);
  });
  it('a tie that does not say where it ends, ends at the same note that follows at once', () => {
    const tied = (duration: number, ...types: readonly string[]) =>
      note(types.map((t) => `<tie type="${t}"/>`).join(''), duration);
    const ties = (measures: string) => {
      const score = read(measures);
      return [score.notes.map((n) => n.tie), score.warnings.filter((w) => w.code === 'tie-unclosed').length];
    };
    expect(ties(bar(tied(8, 'start')) + bar(note(), 2))).toEqual([['start', 'stop'], 0]);
    expect(ties(bar(tied(8, 'start')) + bar(tied(8, 'start'), 2) + bar(note(), 3))).toEqual([
      ['start', 'continue', 'stop'],
      0,
    ]);
    // Not over a rest, not to another key, not in another voice.
    const rest = '<note><rest/><duration>4</duration></note>';
    expect(ties(bar(tied(4, 'start') + rest) + bar(note(), 2))).toEqual([['start', null], 1]);
    const other = '<note><pitch><step>A</step><octave>4</octave></pitch><duration>8</duration></note>';
    expect(ties(bar(tied(8, 'start')) + bar(other, 2))).toEqual([['start', null], 1]);
    expect(ties(bar(tied(8, 'start')) + bar(note('<voice>2</voice>'), 2))).toEqual([['start', null], 1]);
  });
  it.each([
    ['<alter>1</alter>', 68],
    ['<alter>-1</alter>', 66],
    ['<alter>2</alter>', 69],
    ['', 67],
  ])('a G4 with %s sounds at key %i', (alter, midi) =>
    expect(
      read(bar(`<note><pitch><step>G</step>${alter}<octave>4</octave></pitch><duration>8</duration></note>`)).notes[0]
        ?.midi,
    ).toBe(midi),
  );
  // Written C4; the instruments' own transpositions [common practice].
  it.each([
    ['B flat trumpet', '<diatonic>-1</diatonic><chromatic>-2</chromatic>', 58],
    ['horn in F', '<diatonic>-4</diatonic><chromatic>-7</chromatic>', 53],
    ['E flat alto saxophone', '<diatonic>-5</diatonic><chromatic>-9</chromatic>', 51],
    ['double bass', '<diatonic>0</diatonic><chromatic>0</chromatic><octave-change>-1</octave-change>', 48],
    ['bass clarinet', '<diatonic>-1</diatonic><chromatic>-2</chromatic><octave-change>-1</octave-change>', 46],
    ['piccolo', '<diatonic>0</diatonic><chromatic>0</chromatic><octave-change>1</octave-change>', 72],
  ])('%s', (_, transpose, midi) => {
    const score = read(
      `<measure number="1"><attributes><divisions>2</divisions><transpose>${transpose}</transpose></attributes><note><pitch><step>C</step><octave>4</octave></pitch><duration>8</duration></note></measure>`,
    );
    expect(score.notes[0]?.midi).toBe(midi);
    expect(score.notes[0]?.pitch).toEqual({ step: 'C', alter: 0, octave: 4 });
  });
});

describe('what stands between the notes', () => {
  const direction = (type: string, more = ''): string =>
    `<direction><direction-type>${type}</direction-type>${more}</direction>`;
  const said = (type: string) =>
    read(bar(`${note('', 4)}${direction(type)}${note('', 4)}`)).directions.map((d) => ({
      ...d,
      onset: Number(d.onset),
    }));
  it.each([
    ['<dynamics><mf/></dynamics>', { kind: 'dynamic', level: 'mf' }],
    ['<wedge type="crescendo" number="1"/>', { kind: 'wedge', role: 'crescendo' }],
    ['<wedge type="stop"/>', { kind: 'wedge', role: 'stop' }],
    ['<words>dolce</words>', { kind: 'words', text: 'dolce' }],
    ['<rehearsal>B</rehearsal>', { kind: 'rehearsal', text: 'B' }],
    ['<pedal type="start"/>', { kind: 'pedal', role: 'start' }],
    ['<octave-shift type="down" size="8"/>', { kind: 'ottava', size: 8 }],
  ])('%s', (type, expected) => expect(said(type)).toMatchObject([{ ...expected, bar: 0 }]));
  it('stands where the notes before it end, moved by its offset', () => {
    const at = (more: string): number => {
      const score = read(bar(`${note('', 4)}${direction('<words>x</words>', more)}${note('', 4)}`));
      return (score.directions[0]?.onset ?? NaN) / score.ticksPerQuarter;
    };
    expect(at('')).toBe(2);
    expect(at('<offset>-2</offset>')).toBe(1);
  });
  it.each([
    ['<metronome><beat-unit>quarter</beat-unit><per-minute>96</per-minute></metronome>', 96],
    ['<metronome><beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>60</per-minute></metronome>', 90],
    ['<metronome><beat-unit>half</beat-unit><per-minute>60</per-minute></metronome>', 120],
    ['<metronome><beat-unit>eighth</beat-unit><per-minute>c. 120</per-minute></metronome>', 60],
  ])('tempo %s', (type, bpm) => expect(read(bar(direction(type) + note())).tempos[0]?.bpm).toBe(bpm));
  it.each([
    ['<root><root-step>C</root-step></root><kind>major</kind>', 'C'],
    ['<root><root-step>F</root-step><root-alter>1</root-alter></root><kind>minor</kind>', 'F♯m'],
    ['<root><root-step>G</root-step></root><kind>dominant</kind>', 'G7'],
    ['<root><root-step>B</root-step><root-alter>-1</root-alter></root><kind>major-seventh</kind>', 'B♭maj7'],
    ['<root><root-step>D</root-step></root><kind>minor-seventh</kind><bass><bass-step>A</bass-step></bass>', 'Dm7/A'],
    ['<root><root-step>E</root-step></root><kind>suspended-fourth</kind>', 'Esus4'],
  ])('chord symbol %s', (inside, text) => {
    const [symbol] = read(bar(`<harmony>${inside}</harmony>${note()}`)).chords;
    expect(symbol?.text.replace('#', '♯').replace(/([A-G])b/, '$1♭')).toBe(text);
  });
});

describe('bars', () => {
  it('carry meter and key on until they change', () => {
    const change =
      '<attributes><key><fifths>-3</fifths><mode>minor</mode></key><time><beats>3</beats><beat-type>8</beat-type></time></attributes>';
    const score = read(bar(note()) + bar(change + note('', 3), 2) + bar(note('', 3), 3));
    expect(score.bars.map((b) => [b.key.fifths, b.meter.parts[0]?.unit])).toEqual([
      [0, 4],
      [-3, 8],
      [-3, 8],
    ]);
    expect(score.bars[2]?.key.mode).toBe('minor');
  });
  it('first and second endings, the last one open', () => {
    const left = (inside: string) => `<barline location="left">${inside}</barline>`;
    const right = (inside: string) => `<barline location="right">${inside}</barline>`;
    const score = read(
      bar(left('<repeat direction="forward"/>') + note()) +
        bar(
          left('<ending number="1" type="start"/>') +
            note() +
            right('<ending number="1" type="stop"/><repeat direction="backward"/>'),
          2,
        ) +
        bar(left('<ending number="2" type="start"/>') + note() + right('<ending number="2" type="discontinue"/>'), 3) +
        bar(note(), 4),
    );
    expect(playingOrder(score.bars).order).toEqual([0, 1, 0, 2, 3]);
  });
  it('a repeat that says how often', () => {
    const score = read(bar(`${note()}<barline location="right"><repeat direction="backward" times="3"/></barline>`));
    expect(playingOrder(score.bars).order).toEqual([0, 0, 0]);
  });
  it('dal segno al coda, from the signs', () => {
    const sign = (inside: string, sound: string) =>
      `<direction><direction-type>${inside}</direction-type><sound ${sound}/></direction>`;
    const score = read(
      bar(note()) +
        bar(sign('<segno/>', 'segno="s"') + note(), 2) +
        bar(note() + sign('<words>To Coda</words>', 'tocoda="c"'), 3) +
        bar(note() + sign('<words>D.S. al Coda</words>', 'dalsegno="s"'), 4) +
        bar(sign('<coda/>', 'coda="c"') + note(), 5),
    );
    expect(playingOrder(score.bars).order).toEqual([0, 1, 2, 3, 1, 2, 4]);
  });
  it('a sign for the bar before is that bar again', () => {
    const again =
      '<attributes><measure-style><measure-repeat type="start">1</measure-repeat></measure-style></attributes>';
    const score = read(bar(note('', 4) + note('', 4)) + bar(`${again}<note><rest/><duration>8</duration></note>`, 2));
    expect(score.notes.filter((n) => n.bar === 1)).toHaveLength(2);
  });
  it('a new line in the print', () =>
    expect(read(bar(note()) + bar(`<print new-system="yes"/>${note()}`, 2)).bars.map((b) => b.lineBreak)).toEqual([
      false,
      true,
    ]));
  it('numbers are as printed, none twice the same id', () => {
    const score = read(
      bar(note()) + `<measure number="1a">${note()}</measure><measure number="1a">${note()}</measure>`,
    );
    expect(score.bars.map((b) => b.number)).toEqual(['1', '1a', '1a']);
    expect(new Set(score.bars.map((b) => b.id)).size).toBe(3);
  });
});

describe('what stands before the music', () => {
  const headed = (head: string): Score => {
    const result = readScore(doc(bar(note())).replace('<part-list>', `${head}<part-list>`), 'test.xml');
    if (!result.ok) throw new Error(result.issue.message);
    return result.value.score;
  };
  const WORK = '<work><work-number>op. 5</work-number><work-title>Three little\n pieces</work-title></work>';
  const MOVEMENT = '<movement-number>2</movement-number><movement-title>Evening</movement-title>';
  it('a movement is called by its own name, with its work beside it', () => {
    const { title, origin } = headed(WORK + MOVEMENT);
    expect(title).toBe('Evening');
    expect(origin).toMatchObject({
      work: 'Three little pieces',
      workNumber: 'op. 5',
      movement: 'Evening',
      movementNumber: '2',
    });
    expect(titleOf({ title, origin })).toBe('Evening (Three little pieces, op. 5)');
  });
  it('a work alone, or a credit alone, is the title', () => {
    expect(titleOf(headed('<work><work-title>Air</work-title></work>'))).toBe('Air');
    expect(titleOf(headed('<movement-title>Air</movement-title>'))).toBe('Air');
    const credit = '<credit page="1"><credit-type>title</credit-type><credit-words>Air for two</credit-words></credit>';
    expect(headed(credit).title).toBe('Air for two');
    expect(headed('').title).toBe('');
  });
  it('who made it, one after the other, and where it comes from', () => {
    const by = (type: string, name: string) => `<creator type="${type}">${name}</creator>`;
    const { composer, origin } = headed(
      `<identification>${by('lyricist', 'L')}${by('composer', 'A')}${by('composer', 'B')}${by('arranger', 'C')}<rights>free</rights><rights>to all</rights><source>an edition of 1850</source></identification>`,
    );
    expect(composer).toBe('A, B');
    expect(origin).toMatchObject({
      lyricist: 'L',
      arranger: 'C',
      rights: 'free; to all',
      source: 'an edition of 1850',
    });
    expect(headed('<identification><creator>Nobody</creator></identification>').composer).toBe('Nobody');
    expect(headed(`<identification>${by('lyricist', 'L')}</identification>`).composer).toBe('');
  });
});
