import { escapeXml } from '../musicxml';
import {
  compare,
  fraction,
  lcm,
  multiply,
  subtract,
  ZERO,
  type Fraction,
  type Key,
  type Meter,
  type Pitch,
} from '../score';
import type { Draft, DraftBar, DraftEvent, DraftTempo } from './draft';

const VALUES: readonly (readonly [string, Fraction])[] = [
  ['breve', { n: 8, d: 1 }],
  ['whole', { n: 4, d: 1 }],
  ['half', { n: 2, d: 1 }],
  ['quarter', { n: 1, d: 1 }],
  ['eighth', { n: 1, d: 2 }],
  ['16th', { n: 1, d: 4 }],
  ['32nd', { n: 1, d: 8 }],
  ['64th', { n: 1, d: 16 }],
  ['128th', { n: 1, d: 32 }],
];

interface Written {
  readonly value: string | null;
  readonly dots: number;
  readonly quarters: Fraction;
}

/**
 * A written length as note values to be tied: 5/2 quarters is a half and an eighth. Lengths no values make are left
 * unnamed.
 */
export function spellLength(quarters: Fraction): Written[] {
  const pieces: Written[] = [];
  let left = quarters;
  while (left.n > 0 && pieces.length < 8) {
    let found: Written | null = null;
    for (const [value, base] of VALUES) {
      for (const dots of [2, 1, 0]) {
        const length = multiply(base, fraction(2 ** (dots + 1) - 1, 2 ** dots));
        const fits = compare(length, left);
        if (fits === 0 || (fits < 0 && dots === 0)) {
          found = { value, dots, quarters: length };
          break;
        }
      }
      if (found) break;
    }
    if (!found) return [{ value: null, dots: 0, quarters }];
    pieces.push(found);
    left = subtract(left, found.quarters);
  }
  return pieces.length > 0 && left.n === 0 ? pieces : [{ value: null, dots: 0, quarters }];
}

const ORNAMENTS = new Set([
  'trill-mark',
  'turn',
  'inverted-turn',
  'mordent',
  'inverted-mordent',
  'schleifer',
  'tremolo',
]);
const TECHNICAL = new Set([
  'up-bow',
  'down-bow',
  'open-string',
  'thumb-position',
  'harmonic',
  'snap-pizzicato',
  'stopped',
]);

const pitchXml = (pitch: Pitch): string =>
  `<pitch><step>${pitch.step}</step>${pitch.alter === 0 ? '' : `<alter>${pitch.alter}</alter>`}<octave>${pitch.octave}</octave></pitch>`;

interface Context {
  readonly divisions: number;
  readonly voice: number;
  readonly staff: number;
  readonly staves: number;
  /** Slur levels open in this voice, carried along. */
  readonly slurs: number[];
  readonly tiedIn: Map<string, true>;
  /** Gives the `id` attribute of the next note of a bar that has an id of its own; nothing for other bars. */
  readonly nextId: () => string;
}

const samePitch = (p: Pitch): string => `${p.step}${p.alter}${p.octave}`;

function notationsXml(
  event: DraftEvent,
  first: boolean,
  last: boolean,
  tieIn: boolean,
  tieOut: boolean,
  context: Context,
  lead: boolean,
): string {
  const out: string[] = [];
  if (tieIn) out.push('<tied type="stop"/>');
  if (tieOut) out.push('<tied type="start"/>');
  if (lead) {
    if (last)
      for (let i = 0; i < event.slurStops; i += 1) {
        const number = context.slurs.pop();
        if (number !== undefined) out.push(`<slur type="stop" number="${number}"/>`);
      }
    if (first)
      for (let i = 0; i < event.slurStarts; i += 1) {
        const number = (context.slurs[context.slurs.length - 1] ?? 0) + 1;
        context.slurs.push(number);
        out.push(`<slur type="start" number="${number}"/>`);
      }
    if (event.tuplet?.edge === 'start' && first) out.push('<tuplet type="start"/>');
    if (event.tuplet?.edge === 'stop' && last) out.push('<tuplet type="stop"/>');
    if (first) {
      const ornaments = event.decorations.filter((d) => ORNAMENTS.has(d));
      const technical = event.decorations.filter((d) => TECHNICAL.has(d));
      const articulations = event.decorations.filter(
        (d) => !ORNAMENTS.has(d) && !TECHNICAL.has(d) && d !== 'fermata' && d !== 'arpeggiate',
      );
      const fingers = event.fingers.map((f) => `<fingering>${escapeXml(f)}</fingering>`).join('');
      if (ornaments.length > 0) out.push(`<ornaments>${ornaments.map((o) => `<${o}/>`).join('')}</ornaments>`);
      if (technical.length > 0 || fingers !== '')
        out.push(`<technical>${technical.map((t) => `<${t}/>`).join('')}${fingers}</technical>`);
      if (articulations.length > 0)
        out.push(`<articulations>${articulations.map((a) => `<${a}/>`).join('')}</articulations>`);
      if (event.decorations.includes('fermata')) out.push('<fermata/>');
    }
  }
  if (event.decorations.includes('arpeggiate') && first) out.push('<arpeggiate/>');
  return out.length === 0 ? '' : `<notations>${out.join('')}</notations>`;
}

function eventXml(event: DraftEvent, context: Context): string {
  const out: string[] = [];
  for (const mark of event.before) {
    const body =
      mark.kind === 'dynamic'
        ? `<dynamics><${mark.text}/></dynamics>`
        : mark.kind === 'wedge'
          ? `<wedge type="${mark.text === 'wedge-stop' ? 'stop' : mark.text}"/>`
          : `<words>${escapeXml(mark.text)}</words>`;
    const placement = mark.kind === 'words' ? 'above' : 'below';
    out.push(
      `<direction placement="${placement}"><direction-type>${body}</direction-type>${context.staves > 1 ? `<staff>${context.staff}</staff>` : ''}</direction>`,
    );
  }
  if (event.chordSymbol !== null) out.push(harmonyXml(event.chordSymbol));
  const tail = `<voice>${context.voice}</voice>`;
  const staff = context.staves > 1 ? `<staff>${context.staff}</staff>` : '';
  for (const grace of event.graces)
    out.push(
      `<note${context.nextId()}><grace${event.graceSlash ? ' slash="yes"' : ''}/>${pitchXml(grace)}${tail}<type>eighth</type>${staff}</note>`,
    );
  const { tuplet } = event;
  const writtenLength = tuplet ? multiply(event.duration, fraction(tuplet.actual, tuplet.normal)) : event.duration;
  const pieces = event.kind === 'note' ? spellLength(writtenLength) : [...spellLength(writtenLength)].reverse();
  const modification = tuplet
    ? `<time-modification><actual-notes>${tuplet.actual}</actual-notes><normal-notes>${tuplet.normal}</normal-notes></time-modification>`
    : '';
  pieces.forEach((piece, i) => {
    const sounding = tuplet ? multiply(piece.quarters, fraction(tuplet.normal, tuplet.actual)) : piece.quarters;
    const duration = `<duration>${(sounding.n * context.divisions) / sounding.d}</duration>`;
    const type = piece.value ? `<type>${piece.value}</type>${'<dot/>'.repeat(piece.dots)}` : '';
    const first = i === 0;
    const last = i === pieces.length - 1;
    if (event.kind !== 'note') {
      out.push(
        `<note${context.nextId()}${event.kind === 'hidden-rest' ? ' print-object="no"' : ''}><rest/>${duration}${tail}${type}${modification}${staff}${notationsXml(event, first, last, false, false, context, true)}</note>`,
      );
      return;
    }
    const heads: (Pitch | null)[] = event.pitches.length === 0 ? [null] : [...event.pitches];
    heads.forEach((pitch, k) => {
      const key = pitch ? samePitch(pitch) : '';
      const tieIn = !first || context.tiedIn.has(key);
      const tieOut = !last || (event.tied[k] ?? false);
      if (first && context.tiedIn.has(key)) context.tiedIn.delete(key);
      const ties = `${tieIn ? '<tie type="stop"/>' : ''}${tieOut ? '<tie type="start"/>' : ''}`;
      const lyrics =
        k === 0 && first
          ? event.lyrics
              .map(
                (l) =>
                  `<lyric number="${escapeXml(l.verse)}"><syllabic>${l.syllabic}</syllabic><text>${escapeXml(l.text)}</text></lyric>`,
              )
              .join('')
          : '';
      const head = pitch
        ? pitchXml(pitch)
        : '<unpitched><display-step>B</display-step><display-octave>4</display-octave></unpitched>';
      out.push(
        `<note${context.nextId()}>${k > 0 ? '<chord/>' : ''}${head}${duration}${ties}${tail}${type}${modification}${pitch ? '' : '<notehead>x</notehead>'}${staff}${notationsXml(event, first, last, tieIn, tieOut, context, k === 0)}${lyrics}</note>`,
      );
    });
    if (last)
      event.pitches.forEach((pitch, k) => (event.tied[k] ? context.tiedIn.set(samePitch(pitch), true) : undefined));
  });
  return out.join('');
}

const SUFFIX: readonly (readonly [RegExp, string])[] = [
  [/^(maj7|M7|Δ)$/, 'major-seventh'],
  [/^(m7b5|ø)$/, 'half-diminished'],
  [/^(dim7|o7|°7)$/, 'diminished-seventh'],
  [/^(dim|o|°)$/, 'diminished'],
  [/^(m|min|-)7$/, 'minor-seventh'],
  [/^(m|min|-)6$/, 'minor-sixth'],
  [/^(m|min|-)$/, 'minor'],
  [/^7$/, 'dominant'],
  [/^6$/, 'major-sixth'],
  [/^9$/, 'dominant-ninth'],
  [/^(\+|aug)$/, 'augmented'],
  [/^sus2$/, 'suspended-second'],
  [/^sus4?$/, 'suspended-fourth'],
  [/^5$/, 'power'],
  [/^(maj|M)?$/, 'major'],
];

function harmonyXml(symbol: string): string {
  const match = /^([A-G])([#b]?)([^/]*)(?:\/([A-G])([#b]?))?$/.exec(symbol.trim());
  if (!match)
    return `<direction placement="above"><direction-type><words>${escapeXml(symbol)}</words></direction-type></direction>`;
  const [, root = 'C', sign = '', suffix = '', bass, bassSign = ''] = match;
  const alter = (s: string): number => (s === '#' ? 1 : s === 'b' ? -1 : 0);
  const kind = SUFFIX.find(([pattern]) => pattern.test(suffix))?.[1] ?? 'other';
  const alterXml = (name: string, s: string): string => (s === '' ? '' : `<${name}>${alter(s)}</${name}>`);
  return `<harmony><root><root-step>${root}</root-step>${alterXml('root-alter', sign)}</root><kind${suffix === '' ? '' : ` text="${escapeXml(suffix)}"`}>${kind}</kind>${
    bass ? `<bass><bass-step>${bass}</bass-step>${alterXml('bass-alter', bassSign)}</bass>` : ''
  }</harmony>`;
}

const keyXml = (key: Key): string =>
  `<key><fifths>${key.fifths}</fifths>${key.mode && key.mode !== 'none' ? `<mode>${key.mode}</mode>` : ''}</key>`;
const meterXml = (meter: Meter): string =>
  meter.parts.length === 0
    ? '<time><senza-misura/></time>'
    : `<time${meter.symbol ? ` symbol="${meter.symbol}"` : ''}>${meter.parts.map((p) => `<beats>${p.groups.join('+')}</beats><beat-type>${p.unit}</beat-type>`).join('')}</time>`;

function tempoXml(tempo: DraftTempo): string {
  const types = tempo.word === '' ? '' : `<direction-type><words>${escapeXml(tempo.word)}</words></direction-type>`;
  if (tempo.perMinute === null) return types === '' ? '' : `<direction placement="above">${types}</direction>`;
  const [unit] = spellLength(tempo.unit);
  const metronome = unit?.value
    ? `<direction-type><metronome><beat-unit>${unit.value}</beat-unit>${'<beat-unit-dot/>'.repeat(unit.dots)}<per-minute>${tempo.perMinute}</per-minute></metronome></direction-type>`
    : '';
  const quarters = (tempo.perMinute * tempo.unit.n) / tempo.unit.d;
  return `<direction placement="above">${types}${metronome || (types === '' ? '<direction-type><words/></direction-type>' : '')}<sound tempo="${quarters}"/></direction>`;
}

function signsXml(bar: DraftBar): { left: string; start: string; end: string; right: string } {
  const ending = (numbers: readonly number[] | null, type: string): string =>
    numbers ? `<ending number="${numbers.join(',')}" type="${type}"/>` : '';
  const left =
    bar.repeatStart || bar.endingStart
      ? `<barline location="left">${bar.repeatStart ? '<bar-style>heavy-light</bar-style>' : ''}${ending(bar.endingStart, 'start')}${bar.repeatStart ? '<repeat direction="forward"/>' : ''}</barline>`
      : '';
  const direction = (type: string, sound: string): string =>
    `<direction placement="above"><direction-type>${type}</direction-type><sound ${sound}/></direction>`;
  const start = `${bar.rehearsal === null ? '' : `<direction placement="above"><direction-type><rehearsal>${escapeXml(bar.rehearsal)}</rehearsal></direction-type></direction>`}${
    bar.segno ? direction('<segno/>', 'segno="segno"') : ''
  }${bar.coda ? direction('<coda/>', 'coda="coda"') : ''}`;
  const jumpSound = bar.jump !== null && /^d\.?\s?s/i.test(bar.jump) ? 'dalsegno="segno"' : 'dacapo="yes"';
  const end = `${bar.toCoda ? direction('<words>To Coda</words>', 'tocoda="coda"') : ''}${bar.fine ? direction('<words>Fine</words>', 'fine="yes"') : ''}${
    bar.jump === null ? '' : direction(`<words>${escapeXml(bar.jump)}</words>`, jumpSound)
  }`;
  const style = bar.repeatEnd !== null ? 'light-heavy' : bar.doubleBar;
  const right =
    style || bar.endingStop
      ? `<barline location="right">${style ? `<bar-style>${style}</bar-style>` : ''}${ending(bar.endingStop, 'stop')}${
          bar.repeatEnd === null
            ? ''
            : `<repeat direction="backward"${bar.repeatEnd === 2 ? '' : ` times="${bar.repeatEnd}"`}/>`
        }</barline>`
      : '';
  return { left, start, end, right };
}

const eventsLength = (events: readonly DraftEvent[]): Fraction =>
  events.reduce<Fraction>(
    (sum, e) => fraction(sum.n * e.duration.d + e.duration.n * sum.d, sum.d * e.duration.d),
    ZERO,
  );

/**
 * Writes a draft as a MusicXML 4.0 document, one measure a line. Bars with nothing in a staff get a hidden whole-bar
 * rest.
 */
export function draftToMusicXml(draft: Draft): string {
  let divisions = 1;
  for (const bar of draft.bars) {
    divisions = lcm(divisions, bar.quarters.d);
    for (const part of bar.content)
      for (const staff of part)
        for (const voice of staff)
          for (const e of voice) {
            for (const piece of spellLength(
              e.tuplet ? multiply(e.duration, fraction(e.tuplet.actual, e.tuplet.normal)) : e.duration,
            )) {
              const sounding = e.tuplet
                ? multiply(piece.quarters, fraction(e.tuplet.normal, e.tuplet.actual))
                : piece.quarters;
              divisions = lcm(divisions, sounding.d);
            }
          }
  }
  const out: string[] = [
    '<?xml version="1.0" encoding="UTF-8"?>\n<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">\n<score-partwise version="4.0">',
    `<work><work-title>${escapeXml(draft.title)}</work-title></work>`,
    `<identification><creator type="composer">${escapeXml(draft.composer)}</creator></identification>`,
    '<part-list>',
  ];
  for (const part of draft.parts)
    out.push(
      `<score-part id="${part.id}"><part-name>${escapeXml(part.name)}</part-name>${
        part.sound === null
          ? ''
          : `<score-instrument id="${part.id}-I1"><instrument-name>${escapeXml(part.name)}</instrument-name><instrument-sound>${escapeXml(part.sound)}</instrument-sound></score-instrument>`
      }${part.midiProgram === null ? '' : `<midi-instrument id="${part.id}-I1"><midi-program>${part.midiProgram + 1}</midi-program></midi-instrument>`}</score-part>`,
    );
  out.push('</part-list>');
  draft.parts.forEach((part, p) => {
    out.push(`<part id="${part.id}">`);
    const slurs = new Map<string, number[]>();
    const ties = new Map<string, Map<string, true>>();
    draft.bars.forEach((bar, b) => {
      const { left, start, end, right } = signsXml(bar);
      const lines: string[] = [
        `<measure${bar.id === undefined ? '' : ` id="${bar.id}"`} number="${escapeXml(bar.number)}"${bar.implicit ? ' implicit="yes"' : ''}>`,
      ];
      if (bar.lineBreak) lines.push('<print new-system="yes"/>');
      lines.push(left);
      const head = b === 0 || bar.key || bar.meter;
      if (head) {
        const first = b === 0;
        const clefs = first
          ? `${part.staves.length > 1 ? `<staves>${part.staves.length}</staves>` : ''}${part.staves
              .map(
                ({ clef }, s) =>
                  `<clef${part.staves.length > 1 ? ` number="${s + 1}"` : ''}><sign>${clef.sign}</sign><line>${clef.line}</line>${clef.octaveChange === 0 ? '' : `<clef-octave-change>${clef.octaveChange}</clef-octave-change>`}</clef>`,
              )
              .join('')}${
              part.transpose === null
                ? ''
                : `<transpose><diatonic>${part.transpose.diatonic}</diatonic><chromatic>${part.transpose.chromatic}</chromatic>${part.transpose.octaveChange === 0 ? '' : `<octave-change>${part.transpose.octaveChange}</octave-change>`}</transpose>`
            }`
          : '';
        lines.push(
          `<attributes>${first ? `<divisions>${divisions}</divisions>` : ''}${bar.key ? keyXml(bar.key) : ''}${bar.meter ? meterXml(bar.meter) : ''}${clefs}</attributes>`,
        );
      }
      if (p === 0) {
        lines.push(start);
        if (bar.tempo) lines.push(tempoXml(bar.tempo));
      }
      let noteNumber = 0;
      const nextId = (): string => {
        noteNumber += 1;
        return bar.id === undefined ? '' : ` id="${bar.id}-p${p + 1}-n${noteNumber}"`;
      };
      let voiceNumber = 0;
      let written = ZERO;
      part.staves.forEach((_, s) => {
        const voices = bar.content[p]?.[s] ?? [];
        const filled = voices.filter((v) => v.length > 0);
        const list: readonly (readonly DraftEvent[] | null)[] = filled.length > 0 ? filled : [null];
        list.forEach((events, v) => {
          if (written.n > 0) lines.push(`<backup><duration>${(written.n * divisions) / written.d}</duration></backup>`);
          voiceNumber = s * 4 + v + 1;
          if (events === null) {
            lines.push(
              `<note print-object="no"><rest measure="yes"/><duration>${(bar.quarters.n * divisions) / bar.quarters.d}</duration><voice>${voiceNumber}</voice>${part.staves.length > 1 ? `<staff>${s + 1}</staff>` : ''}</note>`,
            );
            written = bar.quarters;
            return;
          }
          const place = `${s} ${v}`;
          if (!slurs.has(place)) slurs.set(place, []);
          if (!ties.has(place)) ties.set(place, new Map());
          const context: Context = {
            divisions,
            voice: voiceNumber,
            staff: s + 1,
            staves: part.staves.length,
            slurs: slurs.get(place) ?? [],
            tiedIn: ties.get(place) ?? new Map<string, true>(),
            nextId,
          };
          for (const e of events) lines.push(eventXml(e, context));
          written = eventsLength(events);
        });
      });
      if (p === 0) lines.push(end);
      lines.push(right, '</measure>');
      out.push(lines.filter((l) => l !== '').join(''));
    });
    out.push('</part>');
  });
  out.push('</score-partwise>\n');
  return out.join('\n');
}
