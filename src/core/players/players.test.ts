import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fingerScore } from '../fingering';
import { partDocument, readScore, type ReadScore } from '../musicxml';
import { countStaff } from '../rhythm';
import type { Score } from '../score';
import { openAbc } from '../studio';
import { choiceNamed, entriesOf, instrumentOfPart, playedBy, playerChoices, soundingScore, usualPlayer } from '.';

const opened = (abc: string) => {
  const result = openAbc(abc, 'test.abc');
  if (!result.ok) throw new Error(result.issue.message);
  return result.value;
};
const read = (text: string): ReadScore => {
  const result = readScore(text, 'test.musicxml');
  if (!result.ok) throw new Error(result.issue.message);
  return result.value;
};
const HEAD = 'X:1\nM:4/4\nL:1/4\nQ:1/4=90\n';

/** A part in MusicXML with a bar for each text; `head` stands in its first bar's attributes. */
const part = (id: string, bars: readonly string[], head = ''): string =>
  `<part id="${id}">${bars
    .map(
      (b, i) =>
        `<measure number="${i + 1}">${i === 0 ? `<attributes><divisions>4</divisions><time><beats>4</beats><beat-type>4</beat-type></time>${head}</attributes>` : ''}${b}</measure>`,
    )
    .join('')}</part>`;
const list = (...heads: readonly string[]): string => `<part-list>${heads.join('')}</part-list>`;
const head = (id: string, name: string, more = ''): string =>
  `<score-part id="${id}"><part-name>${name}</part-name>${more}</score-part>`;
const document = (partList: string, ...parts: readonly string[]): string =>
  `<score-partwise version="4.0">${partList}${parts.join('')}</score-partwise>`;
const note = (step: string, octave: number, duration: number, more = ''): string =>
  `<note><pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>${duration}</duration><voice>1</voice>${more}</note>`;
const chord = (step: string, octave: number, duration: number): string =>
  note(step, octave, duration).replace('<note>', '<note><chord/>');
const REST = '<note><rest measure="yes"/><duration>16</duration></note>';
const whole = (step: string, octave = 4): string => note(step, octave, 16);

describe('the instrument of a part', () => {
  const told = (name: string, more = '', attributes = '', bars = [whole('C')]) => {
    const { score } = read(document(list(head('P1', name, more)), part('P1', bars, attributes)));
    const [first] = score.parts;
    return first ? instrumentOfPart(score, first) : null;
  };
  // Names of instruments in five languages: common practice.
  it.each([
    ['Bassoon', 'bassoon'],
    ['Bass Clarinet in Bb', 'bass-clarinet'],
    ['Drum Kit', 'percussion'],
    ['Altblockflöte', 'alto-recorder'],
    ['Mandolin', 'mandolin'],
    ['Cornet', 'cornet'],
    ['Euphonium', 'euphonium'],
    ['Voice', 'voice'],
    ['Cor anglais', 'other'],
    ['Bass Guitar', 'bass-guitar'],
    ['Soprano Sax 1', 'saxophone'],
    ['Klavier', 'piano'],
    ['Hautbois', 'oboe'],
    ['Violini I', 'violin'],
    ['Fl. picc.', 'piccolo'],
  ])('%s is a %s by its name', (name, id) => {
    expect(told(name)).toEqual({ instrument: id, by: 'name', sure: true });
  });
  it('is told by sound, program, strings, staves, words and clef where the name says nothing', () => {
    const sounds =
      '<score-instrument id="I"><instrument-name>x</instrument-name><instrument-sound>brass.trombone</instrument-sound></score-instrument>';
    expect(told('1', sounds)).toMatchObject({ instrument: 'trombone', by: 'sound' });
    const program = (n: number, channel = 1) =>
      `<midi-instrument id="I"><midi-channel>${channel}</midi-channel><midi-program>${n}</midi-program></midi-instrument>`;
    expect(told('1', program(72))).toMatchObject({ instrument: 'clarinet', by: 'program', sure: true });
    expect(told('1', program(1))).toMatchObject({ instrument: 'piano', sure: false });
    expect(told('1', program(1, 10))).toMatchObject({ instrument: 'percussion' });
    const tab = (...steps: readonly string[]) =>
      `<clef><sign>TAB</sign></clef><staff-details>${steps
        .map(
          (s, i) =>
            `<staff-tuning line="${i + 1}"><tuning-step>${s[0] ?? ''}</tuning-step><tuning-octave>${s[1] ?? ''}</tuning-octave></staff-tuning>`,
        )
        .join('')}</staff-details>`;
    expect(told('1', '', tab('E2', 'A2', 'D3', 'G3', 'B3', 'E4'))).toMatchObject({
      instrument: 'guitar',
      by: 'strings',
    });
    expect(told('1', '', tab('G4', 'C4', 'E4', 'A4'))).toMatchObject({ instrument: 'ukulele', by: 'strings' });
    expect(told('1', '', '<staves>2</staves>')).toMatchObject({ instrument: 'piano', by: 'staff' });
    expect(told('1', '', '', [note('C', 4, 16, '<lyric><text>la</text></lyric>')])).toMatchObject({
      instrument: 'voice',
      sure: false,
    });
    expect(told('1', '', '<clef><sign>C</sign><line>3</line></clef>')).toMatchObject({
      instrument: 'viola',
      by: 'clef',
    });
    expect(told('1', '', '<transpose><diatonic>-4</diatonic><chromatic>-7</chromatic></transpose>')).toMatchObject({
      instrument: 'horn',
      sure: false,
    });
    expect(told('1')).toEqual({ instrument: null, by: 'nothing', sure: false });
  });
  it('that is called as a voice is one where there are words to sing', () => {
    expect(told('Bass', '', '', [note('C', 3, 16, '<lyric><text>la</text></lyric>')])?.instrument).toBe('voice');
    expect(told('Bass')?.instrument).toBe('bass');
  });
});

describe('the choices of who plays', () => {
  const horns = document(
    '<part-list><part-group type="start" number="1"><group-name>Horns in F</group-name></part-group>' +
      head('P1', '1\n2') +
      '<part-group type="stop" number="1"/>' +
      head('P2', 'Tuba') +
      '</part-list>',
    part(
      'P1',
      Array.from({ length: 4 }, () => `${note('C', 4, 16)}${chord('E', 4, 16)}`),
    ),
    part(
      'P2',
      Array.from({ length: 4 }, () => whole('C', 2)),
    ),
  );
  it('have full names, and the lines of a shared staff', () => {
    expect(playerChoices(read(horns).score).map((c) => [c.key, c.name])).toEqual([
      ['P1', 'Horns in F 1, 2'],
      ['P1:upper', 'Horns in F 1, 2, the upper notes'],
      ['P1:lower', 'Horns in F 1, 2, the lower notes'],
      ['P2', 'Tuba'],
    ]);
  });
  it('are named by id, number, name, and line', () => {
    const { score } = read(horns);
    const key = (text: string) => choiceNamed(score, text)?.key ?? null;
    expect(
      ['P2', '2', 'tuba', 'Tu', 'horns in f', 'P1:lower', '1:upper', 'Horns in F 1, 2, the lower notes'].map(key),
    ).toEqual(['P2', 'P2', 'P2', 'P2', 'P1', 'P1:lower', 'P1:upper', 'P1:lower']);
    expect(['P9', '3', 'oboe', ''].map(key)).toEqual([null, null, null, null]);
  });
  it('are usually the part that fits the instrument, else the first with notes', () => {
    const { score } = read(horns);
    expect(usualPlayer(score, 'tuba').parts).toEqual(['P2']);
    expect(usualPlayer(score, 'violin').parts).toEqual(['P1']);
    expect(usualPlayer(score).parts).toEqual(['P1']);
  });
  it('are a student’s before a teacher’s, whatever fits better', () => {
    const duet = read(
      document(
        list(head('P1', 'Teacher'), head('P2', 'Student')),
        part('P1', [whole('C')], '<staves>2</staves>'),
        part('P2', [whole('C')]),
      ),
    ).score;
    expect(usualPlayer(duet, 'piano').parts).toEqual(['P2']);
  });
  it('give the notes of one line: the chord note, the voice, and what stands alone', () => {
    const bars = [
      `${note('C', 4, 16)}${chord('E', 4, 16)}`,
      whole('G'),
      `${note('C', 5, 16)}<backup><duration>16</duration></backup>${note('A', 3, 16).replace('<voice>1', '<voice>2')}`,
    ];
    const { score } = read(document(list(head('P1', 'Horns')), part('P1', bars)));
    const keys = (line: 'upper' | 'lower') => playedBy(score, { parts: ['P1'], line }).notes.map((n) => n.midi);
    expect(keys('upper')).toEqual([64, 67, 72]);
    expect(keys('lower')).toEqual([60, 67, 57]);
    expect(playedBy(score, { parts: ['P1'], line: 'upper' }).notes.every((n) => !n.chord)).toBe(true);
  });
  it('join two parts of one staff that are the hands of one keyboard', () => {
    const two = (a: string, b: string) =>
      read(document(list(head('P1', a), head('P2', b)), part('P1', [whole('C', 5)]), part('P2', [whole('C', 3)])))
        .score;
    const score = two('Piano (right hand)', 'Piano (left hand)');
    expect(playerChoices(score).map((c) => c.key)).toEqual(['P1+P2']);
    const played = playedBy(score, usualPlayer(score));
    expect(played.parts.map((p) => p.staves)).toEqual([2]);
    expect(played.notes.map((n) => [n.midi, n.staff])).toEqual([
      [48, 2],
      [72, 1],
    ]);
    expect(
      fingerScore(played, { instrument: 'piano' })
        .notes.map((n) => n.hand)
        .sort(),
    ).toEqual(['left', 'right']);
    expect(playerChoices(two('Piano 1', 'Piano 2')).map((c) => c.key)).toEqual(['P1', 'P2']);
    // One hand by its id or number, both by name.
    const key = (text: string) => choiceNamed(score, text)?.key;
    expect(['P2', '2', 'P1+P2', 'Piano'].map(key)).toEqual(['P2', 'P2', 'P1+P2', 'P1+P2']);
  });
});

describe('what is printed and not played', () => {
  const bars = [
    `${whole('C')}`,
    note('D', 4, 16).replace('<note>', '<note><cue/>'),
    note('E', 4, 16).replace('<note>', '<note print-object="no">'),
    note('F', 4, 16, '<notehead>slash</notehead>'),
    '<note><unpitched/><duration>16</duration></note>',
  ];
  const { score } = read(
    document(
      list(head('P1', 'Flute'), head('P2', 'Drums')),
      part('P1', bars),
      part('P2', [bars[4] ?? '', REST, REST, REST, bars[4] ?? '']),
    ),
  );
  it('is read, and left out of what sounds and of what is played', () => {
    expect(score.notes).toHaveLength(7);
    expect(soundingScore(score).notes.map((n) => n.midi)).toEqual([60]);
    expect(playedBy(score, { parts: ['P1'] }).notes.map((n) => n.midi)).toEqual([60]);
  });
  it('is the drummer’s to count', () => {
    expect(playedBy(score, { parts: ['P2'] }).notes.map((n) => n.bar)).toEqual([0, 4]);
    expect(countStaff(playedBy(score, { parts: ['P2'] }), 'P2', 1, 4, 4)[0]?.tokens[0]).toMatchObject({
      text: '1',
      sounding: true,
    });
  });
  it('is left out where a staff or a stretch of it is not to be played', () => {
    const ossia = '<attributes><staff-details><staff-type>ossia</staff-type></staff-details></attributes>';
    const slashes = (type: string) => `<attributes><measure-style><slash type="${type}"/></measure-style></attributes>`;
    const shown = read(
      document(
        list(head('P1', 'x')),
        part('P1', [whole('C'), slashes('start') + whole('D'), slashes('stop') + whole('E'), ossia + whole('F')]),
      ),
    );
    expect(shown.score.notes.map((n) => n.aside)).toEqual([null, 'slash', null, 'ossia']);
  });
});

describe('tablature', () => {
  const tuning = ['E2', 'A2', 'D3', 'G3', 'B3', 'E4']
    .map(
      (s, i) =>
        `<staff-tuning line="${i + 1}"><tuning-step>${s[0] ?? ''}</tuning-step><tuning-octave>${s[1] ?? ''}</tuning-octave></staff-tuning>`,
    )
    .join('');
  const stop = (string: number, fret: number) =>
    `<notations><technical><string>${string}</string><fret>${fret}</fret></technical></notations>`;
  const onStaff = (staff: number, text: string) => text.replaceAll('</voice>', `</voice><staff>${staff}</staff>`);
  // The E of the open first string, taken on the second string at its fifth fret: a place the tool would not choose.
  const bar = `${onStaff(1, note('E', 4, 16))}<backup><duration>16</duration></backup>${onStaff(2, note('E', 4, 16, stop(2, 5)))}`;
  const clefs = `<staves>2</staves><clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>TAB</sign></clef><staff-details number="2">${tuning}</staff-details>`;
  it('beside its notation is the same music once, with its strings and frets', () => {
    const { score } = read(document(list(head('P1', 'Guitar')), part('P1', [bar], clefs)));
    expect(score.notes).toHaveLength(2);
    const played = playedBy(score, usualPlayer(score));
    expect(played.parts[0]?.staves).toBe(1);
    expect(played.notes.map((n) => n.staff)).toEqual([1]);
    expect(soundingScore(score).notes).toHaveLength(1);
    expect(fingerScore(played, { instrument: 'guitar' }).notes).toMatchObject([
      { string: 2, fret: 5, printed: true, why: 'string and fret are printed' },
    ]);
  });
  it('in a part of its own beside the notation is the same player’s', () => {
    const { score } = read(
      document(
        list(head('P1', 'Guitar'), head('P2', 'Tab')),
        part('P1', [note('E', 4, 16)]),
        part(
          'P2',
          [note('E', 4, 16, stop(2, 5))],
          `<clef><sign>TAB</sign></clef><staff-details>${tuning}</staff-details>`,
        ),
      ),
    );
    // The tablature is no part by itself: both its numbers are the guitarist’s.
    expect([choiceNamed(score, '1')?.key, choiceNamed(score, 'P2')?.key]).toEqual(['P1+P2', 'P1+P2']);
    expect(playerChoices(score).map((c) => c.key)).toEqual(['P1+P2']);
    expect(fingerScore(playedBy(score, usualPlayer(score)), { instrument: 'guitar' }).notes).toMatchObject([
      { string: 2, fret: 5 },
    ]);
  });
  it('alone is read with its tuning and its capo', () => {
    const { score } = read(
      document(
        list(head('P1', 'x')),
        part(
          'P1',
          [note('E', 4, 16, stop(2, 3))],
          `<clef><sign>TAB</sign></clef><staff-details>${tuning}<capo>2</capo></staff-details>`,
        ),
      ),
    );
    const player = usualPlayer(score);
    expect(player.instrument).toBe('guitar');
    expect(playedBy(score, player).notes).toHaveLength(1);
    expect(score.parts[0]?.attributes[0]?.tunings).toEqual([{ staff: 1, keys: [64, 59, 55, 50, 45, 40], capo: 2 }]);
  });
});

describe('what a player reads', () => {
  const clarinet = '<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose>';
  const key = (fifths: number) => `<key><fifths>${fifths}</fifths></key>`;
  const { score } = read(
    document(
      list(head('P1', 'Clarinet'), head('P2', 'Piano')),
      part('P1', [whole('D')], `${key(2)}${clarinet}`),
      part('P2', [whole('C')], key(0)),
    ),
  );
  it('is in the player’s key, while what sounds is in the key that sounds', () => {
    expect(playedBy(score, { parts: ['P1'] }).bars[0]?.key.fifths).toBe(2);
    expect(playedBy(score, { parts: ['P2'] }).bars[0]?.key.fifths).toBe(0);
    expect(soundingScore(score).bars[0]?.key.fifths).toBe(0);
  });
  it('sounds in its own key where all transpose', () => {
    const alone = read(document(list(head('P1', 'Clarinet')), part('P1', [whole('D')], `${key(2)}${clarinet}`)));
    expect(soundingScore(alone.score).bars[0]?.key.fifths).toBe(0);
  });
});

describe('a score at concert pitch', () => {
  // MusicXML 4.0, concert-score and for-part: the page shows what sounds; part-transpose is the player's.
  const concert = (attributes: string) =>
    read(
      `<score-partwise version="4.0"><defaults><concert-score/></defaults>${list(head('P1', 'Clarinet'))}${part('P1', [whole('C')], attributes)}</score-partwise>`,
    ).score;
  const FOR_PART =
    '<for-part><part-transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></part-transpose></for-part>';
  it.each([
    ['what the file says for the part', FOR_PART],
    ['how the instrument is built', ''],
  ])('is read by its player as by %s', (_, more) => {
    const score = concert(`<key><fifths>0</fifths></key>${more}`);
    expect(score.notes[0]?.midi).toBe(60);
    const played = playedBy(score, usualPlayer(score));
    expect(played.notes[0]).toMatchObject({ midi: 60, pitch: { step: 'D', octave: 4 } });
    expect(played.bars[0]?.key.fifths).toBe(2);
  });
});

describe('scordatura', () => {
  // MusicXML 4.0, scordatura: the fourth string of a violin is tuned up to A.
  const accord =
    '<direction><direction-type><scordatura><accord string="4"><tuning-step>A</tuning-step><tuning-octave>3</tuning-octave></accord></scordatura></direction-type></direction>';
  const onString = (n: number) => `<notations><technical><string>${n}</string></technical></notations>`;
  it('is fingered as it is written, and sounds as the string is tuned', () => {
    const { score } = read(
      document(
        list(head('P1', 'Violin')),
        part('P1', [`${accord}${note('G', 3, 8, onString(4))}${note('D', 4, 8, onString(3))}`]),
      ),
    );
    expect(playedBy(score, usualPlayer(score)).notes.map((n) => n.midi)).toEqual([55, 62]);
    expect(soundingScore(score).notes.map((n) => n.midi)).toEqual([57, 62]);
  });
});

describe('entries after rests', () => {
  const score = opened(
    `${HEAD}V:1 name="Flute"\nV:2 name="Horn"\nK:C\n[V:1] C D E F | G A B c | c B A G | F E D C |]\n[V:2] C4 | z4 | z4 | z G, E, C, |]`,
  ).read.score;
  it('are counted, with what is heard before them', () => {
    expect(entriesOf(score, { parts: ['P2'] })).toMatchObject([
      { bar: 3, restBars: 2, quarter: 2, heard: { part: 'P1', name: 'Flute', notes: 'B A G F' } },
    ]);
    expect(entriesOf(score, { parts: ['P1'] })).toEqual([]);
  });
  it('are heard in the cue notes where the page has them', () => {
    const cue = (step: string) => note(step, 5, 8).replace('<note>', '<note><cue/>');
    const { score: cued } = read(
      document(
        list(head('P1', 'Horn'), head('P2', 'Oboe')),
        part('P1', [whole('C'), REST, REST, `${cue('E')}${cue('D')}`, whole('C')]),
        part('P2', [whole('C'), whole('C'), whole('C'), whole('C'), whole('C')]),
      ),
    );
    expect(entriesOf(cued, { parts: ['P1'] })).toMatchObject([
      { bar: 4, restBars: 3, heard: { name: 'the cue notes', notes: 'E D' } },
    ]);
  });
  it('leave a pick-up out of the bars of rest', () => {
    const { score: picked } = opened(
      `${HEAD}V:1 name="Voice"\nV:2 name="Piano"\nK:C\n[V:1] z | z4 | z4 | C4 |]\n[V:2] C | C4 | C4 | C4 |]`,
    ).read;
    expect(entriesOf(picked, { parts: ['P1'] })).toMatchObject([{ bar: 3, restBars: 2 }]);
  });
  it('are none for one who plays alone', () => {
    const alone = opened(`${HEAD}K:C\nC4 | z4 | z4 | C4 |]`).read.score;
    expect(entriesOf(alone, { parts: ['P1'] })).toEqual([]);
  });
});

const BARS = ['C D E F', 'c2 G2', 'z4', 'C/D/E/F/ G2', '[CE] [DF] z2', 'G4-', "c d e f'"] as const;
const musicOf = fc.array(fc.constantFrom(...BARS), { minLength: 3, maxLength: 8 });
const fit = (bars: readonly string[], length: number): string =>
  `${Array.from({ length }, (_, i) => bars[i] ?? 'z4').join(' | ')} |]`;

describe('for any score', () => {
  const scoreWith = (a: readonly string[], b: readonly string[]) => {
    const length = Math.max(a.length, b.length);
    return opened(`${HEAD}V:1 name="Violin"\nV:2 name="Piano"\nK:D\n[V:1] ${fit(a, length)}\n[V:2] ${fit(b, length)}`);
  };
  const counts = (score: Score, id: string) =>
    countStaff(score, id, 1, 0, score.bars.length - 1).map((b) =>
      b.tokens.map((t) => [t.onset / score.ticksPerQuarter, t.text, t.sounding]),
    );
  const fingers = (score: Score, instrument: 'piano' | 'violin') => {
    const { notes, warnings } = fingerScore(score, { instrument });
    return [notes.map((n) => [n.bar, n.finger, n.string ?? null, n.hand ?? null]), warnings.map((w) => w.code)];
  };
  it('the fingers and counts of a part are those of the part taken alone as a piece', () => {
    fc.assert(
      fc.property(
        musicOf,
        musicOf,
        fc.constantFrom(['P1', 'violin'] as const, ['P2', 'piano'] as const),
        (a, b, [id, instrument]) => {
          const piece = scoreWith(a, b);
          const alone = read(partDocument(piece.text, piece.read, [id])).score;
          const mine = playedBy(piece.read.score, { parts: [id], instrument });
          const own = playedBy(alone, { parts: [id], instrument });
          expect(fingers(own, instrument)).toEqual(fingers(mine, instrument));
          expect(counts(own, id)).toEqual(counts(mine, id));
          expect(own.tempos.map((t) => t.bpm)).toEqual(mine.tempos.map((t) => t.bpm));
        },
      ),
      { numRuns: 60 },
    );
  });
  it('a part that rests changes nothing', () => {
    fc.assert(
      fc.property(musicOf, (a) => {
        const alone = opened(`${HEAD}V:1 name="Violin"\nK:D\n[V:1] ${fit(a, a.length)}`).read.score;
        const { score } = scoreWith(a, []).read;
        const player = { parts: ['P1'], instrument: 'violin' } as const;
        expect(fingers(playedBy(score, { ...player, parts: ['P1'] }), 'violin')).toEqual(
          fingers(playedBy(alone, { ...player, parts: ['P1'] }), 'violin'),
        );
        expect(counts(playedBy(score, { parts: ['P1'] }), 'P1')).toEqual(
          counts(playedBy(alone, { parts: ['P1'] }), 'P1'),
        );
        expect(entriesOf(score, { parts: ['P1'] })).toEqual([]);
        expect(soundingScore(score).notes.map((n) => n.midi)).toEqual(soundingScore(alone).notes.map((n) => n.midi));
      }),
      { numRuns: 60 },
    );
  });
});
