/**
 * A small document with just the bars asked for, written by us from what was read: clef, key and meter in force are put
 * in front, every length is the one in the model, unknown elements and unpaired slurs are left out. It is the only
 * thing the engraver ever sees, so that a damaged or hostile source cannot reach it, and a section costs the same in a
 * long piece.
 */
import {
  meterQuarters,
  type AttributeChange,
  type Clef,
  type Key,
  type Meter,
  type Note,
  type Rest,
  type Score,
} from '../score';
import { computeBeams, FLAGS } from './beams';
import type { ReadScore } from './read-score';
import { valueQuarters } from './measure';
import { child, childrenNamed, escapeXml, parseFragment, type XmlElement } from './xml-tree';

export interface ExcerptRequest {
  readonly from: number;
  readonly to: number;
  /** Part ids; all parts when left out. */
  readonly parts?: readonly string[];
  /** Staff numbers to show of each part; all when left out. */
  readonly staff?: number;
  /** Leave printed fingerings out, for views that draw them in a lane of their own. */
  readonly withoutFingerings?: boolean;
}

type Timed = Note | Rest;

/**
 * Elements copied as they are, with their whitelisted attributes; everything else in a note is written from the model
 * or dropped.
 */
const COPIED = new Set([
  'accidental',
  'stem',
  'notehead',
  'tuplet',
  'tuplet-actual',
  'tuplet-normal',
  'tuplet-number',
  'tuplet-type',
  'slur',
  'articulations',
  'ornaments',
  'technical',
  'fermata',
  'arpeggiate',
  'non-arpeggiate',
  'glissando',
  'slide',
  'dynamics',
  'accidental-mark',
  'syllabic',
  'text',
  'elision',
  'extend',
  'lyric',
  'accent',
  'strong-accent',
  'staccato',
  'tenuto',
  'detached-legato',
  'staccatissimo',
  'spiccato',
  'breath-mark',
  'caesura',
  'stress',
  'unstress',
  'trill-mark',
  'turn',
  'delayed-turn',
  'inverted-turn',
  'delayed-inverted-turn',
  'mordent',
  'inverted-mordent',
  'schleifer',
  'tremolo',
  'wavy-line',
  'up-bow',
  'down-bow',
  'harmonic',
  'open-string',
  'thumb-position',
  'fingering',
  'string',
  'fret',
  'pluck',
  'snap-pizzicato',
  'stopped',
  'hammer-on',
  'pull-off',
  'p',
  'pp',
  'ppp',
  'pppp',
  'f',
  'ff',
  'fff',
  'ffff',
  'mp',
  'mf',
  'sf',
  'sfp',
  'sfpp',
  'fp',
  'rf',
  'rfz',
  'sfz',
  'sffz',
  'fz',
  'n',
  'pf',
  'sfzp',
  'other-dynamics',
  'words',
  'rehearsal',
  'segno',
  'coda',
  'wedge',
  'pedal',
  'metronome',
  'beat-unit',
  'beat-unit-dot',
  'per-minute',
  'root',
  'root-step',
  'root-alter',
  'kind',
  'bass',
  'bass-step',
  'bass-alter',
  'degree',
  'degree-value',
  'degree-alter',
  'degree-type',
]);
const ATTRIBUTES = new Set([
  'type',
  'number',
  'placement',
  'slash',
  'bracket',
  'show-number',
  'line-type',
  'font-style',
  'font-weight',
  'long',
  'use-symbols',
  'text',
]);
const NO_TEXT_LIMIT = 200;

function copy(element: XmlElement, skip: (e: XmlElement) => boolean = () => false): string {
  if (!COPIED.has(element.name) || skip(element)) return '';
  const attributes = Object.entries(element.attributes)
    .filter(([name, value]) => ATTRIBUTES.has(name) && value.length <= 64)
    .map(([name, value]) => ` ${name}="${escapeXml(value)}"`)
    .join('');
  const inner =
    element.children.length > 0
      ? element.children.map((c) => copy(c, skip)).join('')
      : escapeXml(element.text.slice(0, NO_TEXT_LIMIT));
  return inner === '' ? `<${element.name}${attributes}/>` : `<${element.name}${attributes}>${inner}</${element.name}>`;
}

const keyXml = (key: Key, staff: number | null): string =>
  `<key${staff === null ? '' : ` number="${staff}"`}><fifths>${Math.max(-7, Math.min(7, key.fifths))}</fifths>${key.mode ? `<mode>${key.mode}</mode>` : ''}</key>`;

function meterXml(meter: Meter): string {
  if (meter.parts.length === 0) return '<time><senza-misura/></time>';
  const symbol = meter.symbol ? ` symbol="${meter.symbol}"` : '';
  return `<time${symbol}>${meter.parts.map((p) => `<beats>${p.groups.join('+')}</beats><beat-type>${p.unit}</beat-type>`).join('')}</time>`;
}

const CLEF_SIGNS = new Set(['G', 'F', 'C', 'percussion', 'TAB']);
const clefXml = (clef: Clef, staff: number): string =>
  `<clef number="${staff}"><sign>${CLEF_SIGNS.has(clef.sign) ? clef.sign : 'G'}</sign><line>${clef.line >= 1 && clef.line <= 5 ? clef.line : 2}</line>${
    clef.octaveChange >= -2 && clef.octaveChange <= 2 && clef.octaveChange !== 0
      ? `<clef-octave-change>${clef.octaveChange}</clef-octave-change>`
      : ''
  }</clef>`;

interface Attributes {
  keys: Map<number | null, Key>;
  meter: Meter | null;
  clefs: Map<number, Clef>;
}

function fold(into: Attributes, change: AttributeChange): void {
  if (change.keys?.some((k) => k.staff === null)) into.keys.clear();
  for (const k of change.keys ?? []) into.keys.set(k.staff, k.key);
  if (change.meter) into.meter = change.meter;
  for (const c of change.clefs ?? []) into.clefs.set(c.staff, c.clef);
}

const DEFAULT_CLEF: Clef = { sign: 'G', line: 2, octaveChange: 0 };

function attributesXml(state: Attributes, ticksPerQuarter: number, staves: number): string {
  const keys =
    state.keys.size === 0
      ? keyXml({ fifths: 0, mode: null }, null)
      : [...state.keys].map(([staff, key]) => keyXml(key, staff)).join('');
  const clefs = Array.from({ length: staves }, (_, i) => clefXml(state.clefs.get(i + 1) ?? DEFAULT_CLEF, i + 1)).join(
    '',
  );
  return `<attributes><divisions>${ticksPerQuarter}</divisions>${keys}${state.meter ? meterXml(state.meter) : ''}${staves > 1 ? `<staves>${staves}</staves>` : ''}${clefs}</attributes>`;
}

function changeXml(change: AttributeChange): string {
  const keys = (change.keys ?? []).map((k) => keyXml(k.key, k.staff)).join('');
  const clefs = (change.clefs ?? []).map((c) => clefXml(c.clef, c.staff)).join('');
  const body = `${keys}${change.meter ? meterXml(change.meter) : ''}${clefs}`;
  return body === '' ? '' : `<attributes>${body}</attributes>`;
}

/** The written value and dots of a length that the source left unnamed; null when no single value fits. */
export function valueOfLength(duration: number, ticksPerQuarter: number): { value: string; dots: number } | null {
  for (const value of ['whole', 'half', 'quarter', 'eighth', '16th', '32nd', '64th', 'breve'])
    for (let dots = 0; dots <= 3; dots += 1) {
      const quarters = valueQuarters(value, dots, null);
      if (quarters && quarters.n * ticksPerQuarter === duration * quarters.d) return { value, dots };
    }
  return null;
}

/** Slurs that both begin and end inside the excerpt, as `noteId number role`. */
function pairedSlurs(notes: readonly Note[]): ReadonlySet<string> {
  const open = new Map<string, { key: string }[]>();
  const paired = new Set<string>();
  for (const note of [...notes].sort((a, b) => a.bar - b.bar || a.sourceIndex - b.sourceIndex)) {
    for (const slur of note.marks.slurs) {
      const place = `${note.part} ${slur.number}`;
      const key = `${note.id} ${slur.number} ${slur.role}`;
      if (slur.role === 'start') open.set(place, [...(open.get(place) ?? []), { key }]);
      else if (slur.role === 'stop') {
        const start = open.get(place)?.pop();
        if (!start) continue;
        paired.add(start.key);
        paired.add(key);
      }
    }
  }
  return paired;
}

interface NoteContext {
  readonly score: Score;
  readonly slurs: ReadonlySet<string>;
  readonly beams: ReadonlyMap<string, 'begin' | 'continue' | 'end'>;
  readonly staves: number;
  readonly onlyStaff: number | null;
  readonly withoutFingerings: boolean;
  readonly copyBeams: boolean;
}

function noteXml(element: XmlElement, event: Timed, context: NoteContext): string {
  const skip = (e: XmlElement): boolean =>
    (e.name === 'slur' &&
      !context.slurs.has(`${event.id} ${e.attributes['number'] ?? '1'} ${e.attributes['type'] ?? ''}`)) ||
    (context.withoutFingerings && e.name === 'fingering');
  const hidden = element.attributes['print-object'] === 'no' ? ' print-object="no"' : '';
  const parts: string[] = [`<note id="${event.id}"${hidden}>`];
  const broken = event.kind === 'note' && event.pitch === null && !child(element, 'unpitched');
  if (event.kind === 'note') {
    if (event.grace) parts.push(`<grace${event.grace.slash ? ' slash="yes"' : ''}/>`);
    if (event.cue && !event.grace) parts.push('<cue/>');
    if (event.chord && !broken) parts.push('<chord/>');
    const { pitch } = event;
    const unpitched = child(element, 'unpitched');
    if (pitch)
      parts.push(
        `<pitch><step>${pitch.step}</step>${pitch.alter === 0 ? '' : `<alter>${pitch.alter}</alter>`}<octave>${pitch.octave}</octave></pitch>`,
      );
    else if (unpitched) {
      const step = child(unpitched, 'display-step')?.text.trim() ?? 'B';
      const octave = child(unpitched, 'display-octave')?.text.trim() ?? '4';
      parts.push(
        /^[A-G]$/.test(step) && /^\d$/.test(octave)
          ? `<unpitched><display-step>${step}</display-step><display-octave>${octave}</display-octave></unpitched>`
          : '<unpitched/>',
      );
    } else parts.push('<rest/>');
  } else parts.push(event.wholeBar ? '<rest measure="yes"/>' : '<rest/>');
  const isGrace = event.kind === 'note' && event.grace !== null;
  if (!isGrace) parts.push(`<duration>${event.duration}</duration>`);
  if (event.kind === 'note' && event.tie && !isGrace) {
    if (event.tie !== 'start') parts.push('<tie type="stop"/>');
    if (event.tie !== 'stop') parts.push('<tie type="start"/>');
  }
  parts.push(`<voice>${escapeXml(event.voice.slice(0, 8))}</voice>`);
  const known =
    event.value !== null && valueQuarters(event.value, 0, null) !== null
      ? { value: event.value, dots: Math.min(event.dots, 3) }
      : valueOfLength(event.duration, context.score.ticksPerQuarter);
  if (known && !(event.kind === 'rest' && event.wholeBar))
    parts.push(`<type>${known.value}</type>${'<dot/>'.repeat(known.dots)}`);
  const accidental = child(element, 'accidental');
  if (accidental) parts.push(copy(accidental));
  if (event.timeModification)
    parts.push(
      `<time-modification><actual-notes>${event.timeModification.actual}</actual-notes><normal-notes>${event.timeModification.normal}</normal-notes></time-modification>`,
    );
  for (const name of ['stem', 'notehead']) {
    const found = child(element, name);
    if (found) parts.push(copy(found));
  }
  if (context.staves > 1 && context.onlyStaff === null) parts.push(`<staff>${event.staff}</staff>`);
  if (context.copyBeams) {
    const beam = childrenNamed(element, 'beam')
      .find((b) => (b.attributes['number'] ?? '1') === '1')
      ?.text.trim();
    if (beam === 'begin' || beam === 'continue' || beam === 'end') parts.push(`<beam number="1">${beam}</beam>`);
  } else {
    const beam = context.beams.get(event.id);
    if (beam) parts.push(`<beam number="1">${beam}</beam>`);
  }
  const notations = childrenNamed(element, 'notations')
    .flatMap((group) => group.children)
    .map((c) => copy(c, skip))
    .join('');
  const tied =
    event.kind === 'note' && event.tie && !isGrace
      ? `${event.tie !== 'start' ? '<tied type="stop"/>' : ''}${event.tie !== 'stop' ? '<tied type="start"/>' : ''}`
      : '';
  if (notations !== '' || tied !== '') parts.push(`<notations>${tied}${notations}</notations>`);
  parts.push(
    ...childrenNamed(element, 'lyric')
      .slice(0, 12)
      .map((l) => copy(l)),
    '</note>',
  );
  return parts.join('');
}

/** Directions copied into the excerpt: at least one whitelisted mark, staff and sound left out. */
function directionXml(element: XmlElement, staffOffset: number | null): string {
  const types = childrenNamed(element, 'direction-type')
    .map((type) => type.children.map((c) => copy(c)).join(''))
    .filter((body) => body !== '')
    .map((body) => `<direction-type>${body}</direction-type>`)
    .join('');
  if (types === '') return '';
  const staff = child(element, 'staff')?.text.trim() ?? '';
  const placement = element.attributes['placement'];
  const where = placement === 'above' || placement === 'below' ? ` placement="${placement}"` : '';
  return `<direction${where}>${types}${staffOffset === null && /^\d{1,2}$/.test(staff) ? `<staff>${staff}</staff>` : ''}</direction>`;
}

/**
 * Writes bars `from` to `to` (both included, clamped to the piece) as a complete MusicXML 4.0 document.
 * Bar and note ids are those of the model, so they come back in the engraved SVG.
 */
export function writeExcerpt(
  text: string,
  read: Pick<ReadScore, 'score' | 'ranges' | 'filledFrom'>,
  request: ExcerptRequest,
): string {
  const { score, ranges } = read;
  const from = Math.max(0, Math.min(request.from, score.bars.length - 1));
  const to = Math.max(from, Math.min(request.to, score.bars.length - 1));
  const chosen = score.parts.flatMap((part, index) =>
    !request.parts || request.parts.includes(part.id) ? [{ part, index }] : [],
  );
  const inRange = <T extends { readonly bar: number }>(e: T): boolean => e.bar >= from && e.bar <= to;
  const notes = score.notes.filter(inRange);
  const events: Timed[] = [...notes, ...score.rests.filter(inRange)];
  const slurs = pairedSlurs(notes);
  const byPlace = new Map<string, Timed>();
  for (const e of events) byPlace.set(`${e.part} ${e.bar} ${e.sourceIndex}`, e);
  const out: string[] = ['<?xml version="1.0" encoding="UTF-8"?>\n<score-partwise version="4.0"><part-list>'];
  chosen.forEach(({ part }, i) => {
    const name = chosen.length > 1 ? escapeXml((part.abbreviation || part.name).slice(0, 40)) : '';
    out.push(`<score-part id="P${i + 1}"><part-name>${name}</part-name></score-part>`);
  });
  out.push('</part-list>');
  chosen.forEach(({ part, index }, position) => {
    const onlyStaff = request.staff !== undefined && part.staves > 1 ? request.staff : null;
    const staves = onlyStaff === null ? part.staves : 1;
    const state: Attributes = { keys: new Map(), meter: null, clefs: new Map() };
    const firstBar = score.bars[from];
    for (const change of part.attributes)
      if (change.bar < from || (change.bar === from && change.onset === firstBar?.onset)) fold(state, change);
    if (state.meter === null) state.meter = firstBar?.meter ?? null;
    if (onlyStaff !== null) state.clefs = new Map([[1, state.clefs.get(onlyStaff) ?? DEFAULT_CLEF]]);
    out.push(`<part id="P${position + 1}">`);
    for (let b = from; b <= to; b += 1) {
      const bar = score.bars[b];
      if (!bar) continue;
      out.push(
        `<measure id="${bar.id}${position === 0 ? '' : `-p${position + 1}`}" number="${escapeXml(bar.number.slice(0, 12))}">`,
      );
      const { signs } = bar;
      const endingStarts = signs.ending !== null && (signs.ending.starts || b === from);
      if (b === from) out.push(attributesXml(state, score.ticksPerQuarter, staves));
      if (signs.repeatStart || endingStarts)
        out.push(
          `<barline location="left">${signs.repeatStart ? '<bar-style>heavy-light</bar-style>' : ''}${
            endingStarts ? `<ending number="${signs.ending?.numbers.join(',') ?? '1'}" type="start"/>` : ''
          }${signs.repeatStart ? '<repeat direction="forward"/>' : ''}</barline>`,
        );
      const filled = read.filledFrom.get(`${index} ${b}`);
      const range = ranges[index]?.[filled ?? b] ?? null;
      const tree = range ? parseFragment(text.slice(range[0], range[1])) : null;
      if (tree)
        out.push(
          measureBody(tree, {
            score,
            part,
            b,
            from,
            bar,
            byPlace,
            slurs,
            staves,
            onlyStaff,
            withoutFingerings: request.withoutFingerings ?? false,
            filled: filled !== undefined,
          }),
        );
      else out.push(`<note><rest measure="yes"/><duration>${bar.length}</duration><voice>1</voice></note>`);
      const endingStops = signs.ending !== null && (signs.ending.stops || b === to);
      if (signs.repeatEnd !== null || endingStops || signs.doubleBar)
        out.push(
          `<barline location="right"><bar-style>${signs.repeatEnd !== null ? 'light-heavy' : (signs.doubleBar ?? 'regular')}</bar-style>${
            endingStops ? `<ending number="${signs.ending?.numbers.join(',') ?? '1'}" type="stop"/>` : ''
          }${signs.repeatEnd !== null ? '<repeat direction="backward"/>' : ''}</barline>`,
        );
      out.push('</measure>');
    }
    out.push('</part>');
  });
  out.push('</score-partwise>');
  return out.join('');
}

interface BodyContext {
  readonly score: Score;
  readonly part: Score['parts'][number];
  readonly b: number;
  readonly from: number;
  readonly bar: Score['bars'][number];
  readonly byPlace: ReadonlyMap<string, Timed>;
  readonly slurs: ReadonlySet<string>;
  readonly staves: number;
  readonly onlyStaff: number | null;
  readonly withoutFingerings: boolean;
  /** The notes are those of another bar, under a bar-repeat sign: its marks and changes are not drawn again. */
  readonly filled: boolean;
}

function measureBody(tree: XmlElement, context: BodyContext): string {
  const { score, part, b, bar, onlyStaff } = context;
  const out: string[] = [];
  let cursor = 0;
  const moveTo = (wanted: number): void => {
    if (wanted < cursor) out.push(`<backup><duration>${cursor - wanted}</duration></backup>`);
    else if (wanted > cursor) out.push(`<forward><duration>${wanted - cursor}</duration></forward>`);
    cursor = wanted;
  };
  const changes = part.attributes.filter((a) => a.bar === b);
  const timedOf = (sourceIndex: number): Timed | undefined => context.byPlace.get(`${part.id} ${b} ${sourceIndex}`);
  const beams = part.hasBeams ? new Map<string, 'begin' | 'continue' | 'end'>() : beamsOfBar(tree, context, timedOf);
  const noteContext: NoteContext = {
    score,
    slurs: context.slurs,
    beams,
    staves: part.staves,
    onlyStaff,
    withoutFingerings: context.withoutFingerings,
    copyBeams: part.hasBeams,
  };
  let sourceIndex = 0;
  let attributesIndex = 0;
  let wanted = 0;
  let wrote = false;
  tree.children.forEach((element, i) => {
    if (context.filled && element.name !== 'note') return;
    switch (element.name) {
      case 'note': {
        const event = timedOf(sourceIndex);
        sourceIndex += 1;
        if (!event || (onlyStaff !== null && event.staff !== onlyStaff)) return;
        const isChord = event.kind === 'note' && event.chord;
        const isGrace = event.kind === 'note' && event.grace !== null;
        const broken = event.kind === 'note' && event.pitch === null && !child(element, 'unpitched');
        if (!isChord || broken) moveTo(event.onset - bar.onset);
        out.push(noteXml(element, event, noteContext));
        wrote = true;
        if (!isGrace && (!isChord || broken)) cursor += event.duration;
        wanted = isGrace ? cursor : event.onset - bar.onset + event.duration;
        return;
      }
      case 'attributes': {
        const change = changes[attributesIndex];
        attributesIndex += 1;
        if (!change || (b === context.from && change.onset === bar.onset)) return;
        const xml = changeXml(
          onlyStaff === null
            ? change
            : {
                ...change,
                clefs: (change.clefs ?? []).filter((c) => c.staff === onlyStaff).map((c) => ({ ...c, staff: 1 })),
              },
        );
        if (xml === '') return;
        moveTo(change.onset - bar.onset);
        out.push(xml);
        return;
      }
      case 'direction': {
        const xml = directionXml(element, onlyStaff);
        if (xml === '') return;
        const staff = Number(child(element, 'staff')?.text ?? '1');
        if (onlyStaff !== null && staff !== onlyStaff) return;
        const next = nextOnset(tree, i, timedOf, sourceIndex);
        moveTo(next === null ? Math.min(wanted, bar.length) : next - bar.onset);
        out.push(xml);
        return;
      }
      case 'harmony': {
        const next = nextOnset(tree, i, timedOf, sourceIndex);
        moveTo(next === null ? Math.min(wanted, bar.length) : next - bar.onset);
        const body = element.children.map((c) => copy(c)).join('');
        if (child(element, 'root')) out.push(`<harmony>${body}</harmony>`);
        return;
      }
      default:
        return;
    }
  });
  if (!wrote) {
    moveTo(0);
    out.push(`<note><rest measure="yes"/><duration>${bar.length}</duration><voice>1</voice></note>`);
  }
  return out.join('');
}

/** Onset of the next note written after place `i`, unless a backup or forward comes first. */
function nextOnset(
  tree: XmlElement,
  i: number,
  timedOf: (sourceIndex: number) => Timed | undefined,
  sourceIndex: number,
): number | null {
  for (let k = i + 1; k < tree.children.length; k += 1) {
    const name = tree.children[k]?.name;
    if (name === 'note') return timedOf(sourceIndex)?.onset ?? null;
    if (name === 'backup' || name === 'forward') return null;
  }
  return null;
}

function beamsOfBar(
  tree: XmlElement,
  context: BodyContext,
  timedOf: (sourceIndex: number) => Timed | undefined,
): ReadonlyMap<string, 'begin' | 'continue' | 'end'> {
  const voices = new Map<string, Timed[]>();
  childrenNamed(tree, 'note').forEach((_, k) => {
    const event = timedOf(k);
    if (!event || (event.kind === 'note' && (event.chord || event.grace !== null))) return;
    voices.set(event.voice, [...(voices.get(event.voice) ?? []), event]);
  });
  const all = new Map<string, 'begin' | 'continue' | 'end'>();
  // A pick-up is beamed as the end of a full bar.
  const nominal = meterQuarters(context.bar.meter);
  const nominalTicks = (nominal.n * context.score.ticksPerQuarter) / nominal.d;
  const shift = context.b === 0 && context.bar.length < nominalTicks ? nominalTicks - context.bar.length : 0;
  for (const events of voices.values()) {
    const beamable = events.map((e) => ({
      id: e.id,
      onset: e.onset - context.bar.onset + shift,
      duration: e.duration,
      flags:
        e.kind === 'rest'
          ? 0
          : (FLAGS[e.value ?? valueOfLength(e.duration, context.score.ticksPerQuarter)?.value ?? ''] ?? 0),
    }));
    for (const [id, beam] of computeBeams(beamable, context.bar.meter, context.score.ticksPerQuarter))
      all.set(id, beam);
  }
  return all;
}
