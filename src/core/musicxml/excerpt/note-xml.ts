import type { Note, Rest, Score } from '../../score';
import type { OpenTies } from './open-ties';
import type { ExcerptSlurs } from './paired-slurs';
import { valueQuarters } from '../measure';
import { pitchXml } from '../model-xml';
import { child, childrenNamed, escapeXml, type XmlElement } from '../xml-tree';
import { copy } from './copied-elements';
import { valueOfLength } from './value-of-length';

export type Timed = Note | Rest;

export type Beam = 'begin' | 'continue' | 'end';

export interface NoteContext {
  readonly score: Score;
  readonly slurs: ExcerptSlurs;
  readonly ties: OpenTies;
  readonly beams: ReadonlyMap<string, Beam>;
  readonly staves: number;
  readonly onlyStaff: number | null;
  readonly withoutFingerings: boolean;
  readonly copyBeams: boolean;
}

const MOST_LYRICS = 12;
const MOST_DOTS = 3;

/** A note that the source gives no place on the staff. */
export const isWithoutPlace = (element: XmlElement, event: Timed): boolean =>
  event.kind === 'note' && event.pitch === null && !child(element, 'unpitched');

const isGrace = (event: Timed): boolean => event.kind === 'note' && event.grace !== null;

function unpitchedXml(unpitched: XmlElement): string {
  const step = child(unpitched, 'display-step')?.text.trim() ?? 'B';
  const octave = child(unpitched, 'display-octave')?.text.trim() ?? '4';
  return /^[A-G]$/.test(step) && /^\d$/.test(octave)
    ? `<unpitched><display-step>${step}</display-step><display-octave>${octave}</display-octave></unpitched>`
    : '<unpitched/>';
}

/** What sounds: grace, cue and chord signs and the pitch, or a rest. */
function soundXml(element: XmlElement, event: Timed): string {
  if (event.kind === 'rest') return event.wholeBar ? '<rest measure="yes"/>' : '<rest/>';
  const { pitch, grace } = event;
  const unpitched = child(element, 'unpitched');
  return [
    grace ? `<grace${grace.slash ? ' slash="yes"' : ''}/>` : '',
    event.aside === 'cue' && !grace ? '<cue/>' : '',
    event.chord && !isWithoutPlace(element, event) ? '<chord/>' : '',
    pitch ? pitchXml(pitch) : unpitched ? unpitchedXml(unpitched) : '<rest/>',
  ].join('');
}

/**
 * Both halves of a tie, as `tie` for the sound or `tied` for the eye. One that goes on behind the last bar rings on
 * there; one that comes from before the first bar is only shown.
 */
function tieXml(event: Timed, name: 'tie' | 'tied', { leaving, arriving }: OpenTies): string {
  if (event.kind !== 'note' || !event.tie || isGrace(event)) return '';
  const stops = event.tie !== 'start' && !(name === 'tie' && arriving.has(event.id));
  const starts = event.tie !== 'stop';
  const rings = starts && leaving.has(event.id);
  return `${stops ? `<${name} type="stop"/>` : ''}${
    rings ? (name === 'tied' ? '<tied type="let-ring"/>' : '') : starts ? `<${name} type="start"/>` : ''
  }`;
}

/** Note value, dots, accidental and tuplet. */
function valueXml(element: XmlElement, event: Timed, ticksPerQuarter: number): string {
  const known =
    event.value !== null && valueQuarters(event.value, 0, null) !== null
      ? { value: event.value, dots: Math.min(event.dots, MOST_DOTS) }
      : valueOfLength(event.duration, ticksPerQuarter);
  const accidental = child(element, 'accidental');
  const { timeModification: tuplet } = event;
  return [
    known && !(event.kind === 'rest' && event.wholeBar)
      ? `<type>${known.value}</type>${'<dot/>'.repeat(known.dots)}`
      : '',
    accidental ? copy(accidental) : '',
    tuplet
      ? `<time-modification><actual-notes>${tuplet.actual}</actual-notes><normal-notes>${tuplet.normal}</normal-notes></time-modification>`
      : '',
  ].join('');
}

function beamXml(element: XmlElement, event: Timed, { copyBeams, beams }: NoteContext): string {
  const written = childrenNamed(element, 'beam')
    .find((b) => (b.attributes['number'] ?? '1') === '1')
    ?.text.trim();
  const beam = copyBeams ? written : beams.get(event.id);
  return beam === 'begin' || beam === 'continue' || beam === 'end' ? `<beam number="1">${beam}</beam>` : '';
}

function notationsXml(element: XmlElement, event: Timed, { slurs, ties, withoutFingerings }: NoteContext): string {
  const skip = (e: XmlElement): boolean =>
    (e.name === 'slur' &&
      !slurs.kept.has(`${event.id} ${e.attributes['number'] ?? '1'} ${e.attributes['type'] ?? ''}`)) ||
    (withoutFingerings && e.name === 'fingering');
  const notations = childrenNamed(element, 'notations')
    .flatMap((group) => group.children)
    .map((c) => copy(c, skip))
    .join('');
  const tied = tieXml(event, 'tied', ties);
  const edges = (slurs.atEdge.get(event.id) ?? [])
    .map(({ number, role }) => `<slur type="${role}" number="${escapeXml(number)}"/>`)
    .join('');
  const all = `${tied}${notations}${edges}`;
  return all === '' ? '' : `<notations>${all}</notations>`;
}

/** A note or rest written from the model; of the source only what is allowed. */
export function noteXml(element: XmlElement, event: Timed, context: NoteContext): string {
  const hidden = element.attributes['print-object'] === 'no' ? ' print-object="no"' : '';
  const copied = (name: string): string => {
    const found = child(element, name);
    return found ? copy(found) : '';
  };
  return [
    `<note id="${event.id}"${hidden}>`,
    soundXml(element, event),
    isGrace(event) ? '' : `<duration>${event.duration}</duration>`,
    tieXml(event, 'tie', context.ties),
    `<voice>${escapeXml(event.voice.slice(0, 8))}</voice>`,
    valueXml(element, event, context.score.ticksPerQuarter),
    copied('stem'),
    copied('notehead'),
    context.staves > 1 && context.onlyStaff === null ? `<staff>${event.staff}</staff>` : '',
    beamXml(element, event, context),
    notationsXml(element, event, context),
    ...childrenNamed(element, 'lyric')
      .slice(0, MOST_LYRICS)
      .map((l) => copy(l)),
    '</note>',
  ].join('');
}
