/** Made files of any size. */
const STEPS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];

/** Two staves of eighths over quarters: 20 notes in ten events a bar, close to a dense classical page. */
export function bigFile(bars: number): string {
  const note = (
    step: string,
    octave: number,
    duration: number,
    type: string,
    voice: number,
    staff: number,
    chord = false,
  ): string =>
    `<note>${chord ? '<chord/>' : ''}<pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>${duration}</duration><voice>${voice}</voice><type>${type}</type><stem>up</stem><staff>${staff}</staff></note>`;
  const measures = Array.from({ length: bars }, (_, b) => {
    const right = Array.from(
      { length: 8 },
      (_x, i) =>
        note(STEPS[(b + i) % 7] ?? 'C', 5, 1, 'eighth', 1, 1) +
        (i % 2 === 0 ? note(STEPS[(b + i + 2) % 7] ?? 'E', 5, 1, 'eighth', 1, 1, true) : ''),
    ).join('');
    const left = Array.from(
      { length: 4 },
      (_x, i) =>
        note(STEPS[(b + i) % 7] ?? 'C', 3, 2, 'quarter', 5, 2) +
        note(STEPS[(b + i + 4) % 7] ?? 'G', 3, 2, 'quarter', 5, 2, true),
    ).join('');
    const head =
      b === 0
        ? '<attributes><divisions>2</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time><staves>2</staves><clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>F</sign><line>4</line></clef></attributes>'
        : '';
    return `<measure number="${b + 1}">${head}${right}<backup><duration>8</duration></backup>${left}</measure>`;
  });
  return `<?xml version="1.0"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Piano</part-name></score-part></part-list><part id="P1">${measures.join('')}</part></score-partwise>`;
}

/** An ensemble of so many parts of one staff, each with its own line of eighths and halves. */
export function ensembleFile(parts: number, bars: number): string {
  const note = (step: string, octave: number, eighths: number, type: string): string =>
    `<note><pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>${eighths}</duration><voice>1</voice><type>${type}</type></note>`;
  const head =
    '<attributes><divisions>2</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef></attributes>';
  const bar = (part: number, b: number): string =>
    `<measure number="${b + 1}">${b === 0 ? head : ''}${Array.from({ length: 4 }, (_, i) => note(STEPS[(part + b + i) % 7] ?? 'C', 4 + (part % 2), 1, 'eighth')).join('')}${note(STEPS[(part + b) % 7] ?? 'C', 4, 4, 'half')}</measure>`;
  const names = Array.from({ length: parts }, (_, p) => `Player ${p + 1}`);
  const list = names.map((name, p) => `<score-part id="P${p + 1}"><part-name>${name}</part-name></score-part>`);
  const music = names.map(
    (_, p) => `<part id="P${p + 1}">${Array.from({ length: bars }, (_x, b) => bar(p, b)).join('')}</part>`,
  );
  return `<?xml version="1.0"?><score-partwise version="4.0"><part-list>${list.join('')}</part-list>${music.join('')}</score-partwise>`;
}
