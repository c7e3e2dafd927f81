/**
 * One `<measure>` (or, timewise, one `<part>` of a measure) to events with exact times inside the bar.
 * Source: MusicXML 4.0 specification (W3C Community Group, 2021).
 */
import { add, subtract, ZERO, type Fraction } from '../../score';
import { child, childText, type XmlElement } from '../xml-tree';
import { readAttributes, readBarRepeat } from './attributes';
import { readBarline } from './barline';
import { readHarmony, type ReadChord } from './chord-symbol';
import { Cursor } from './cursor';
import { onsetOf, readDirection } from './direction';
import { readNote } from './note';
import type { PartState, Warn } from './part-state';
import type {
  BeamedGroup,
  RawAttributes,
  RawDirection,
  RawMeasure,
  RawNote,
  RawSigns,
  RawSwing,
  RawTempo,
} from './raw-measure';
import { readAccords } from './scordatura';
import { readSound, readSwing } from './sound';

const noSigns = (): RawSigns => ({
  repeatStart: false,
  repeatEnd: null,
  endingStart: null,
  endingStop: false,
  segno: null,
  coda: null,
  codaGlyph: false,
  toCoda: false,
  fine: false,
  jump: null,
  doubleBar: null,
});

const beginsLine = (print: XmlElement): boolean =>
  print.attributes['new-system'] === 'yes' || print.attributes['new-page'] === 'yes';

/** Notes under one beam, as they come. */
class BeamGroups {
  readonly all: BeamedGroup[] = [];
  any = false;
  private readonly from = new Map<string, Fraction>();

  note(element: XmlElement, { voice, onset, duration }: RawNote): void {
    const beam = childText(element, 'beam');
    this.any ||= beam !== undefined;
    if (beam === 'begin') this.from.set(voice, onset);
    const from = beam === 'end' ? this.from.get(voice) : undefined;
    if (from) this.all.push({ from, length: subtract(add(onset, duration), from) });
  }
}

function putSwing(sound: XmlElement | undefined, onset: Fraction, swings: RawSwing[]): void {
  const swing = sound ? readSwing(sound, onset) : null;
  if (swing) swings.push(swing);
}

/**
 * Reads one measure. `state` is changed in place as the bar changes it. Times that run before the bar or
 * are not numbers are warned about and clamped; nothing throws.
 */
export function readMeasure(measure: XmlElement, state: PartState, warn: Warn): RawMeasure {
  const events: RawNote[] = [];
  const directions: RawDirection[] = [];
  const tempos: RawTempo[] = [];
  const swings: RawSwing[] = [];
  const chords: ({ readonly onset: Fraction } & ReadChord)[] = [];
  const attributes: RawAttributes[] = [];
  const signs = noSigns();
  const cursor = new Cursor(state, warn);
  let chordOnset: Fraction | null = null;
  let lineBreak = false;
  const groups = new BeamGroups();
  let barRepeat: RawMeasure['barRepeat'] = null;
  for (const element of measure.children)
    switch (element.name) {
      case 'note': {
        const note = readNote(element, { state, cursor, warn, sourceIndex: events.length, chordOnset });
        events.push(note);
        if (!note.chord) chordOnset = note.onset;
        groups.note(element, note);
        break;
      }
      case 'backup':
        cursor.back(cursor.lengthOf(childText(element, 'duration'), 'a backup') ?? ZERO);
        chordOnset = null;
        break;
      case 'forward':
        cursor.forward(cursor.lengthOf(childText(element, 'duration'), 'a forward') ?? ZERO);
        chordOnset = null;
        break;
      case 'attributes': {
        attributes.push(readAttributes(element, cursor.at, state, warn));
        const sign = readBarRepeat(element);
        if (sign !== undefined) barRepeat = sign;
        break;
      }
      case 'direction': {
        const onset = onsetOf(element, cursor.at, state);
        readDirection(element, cursor.at, state, { directions, tempos, signs }, warn);
        putSwing(child(element, 'sound'), onset, swings);
        const accords = readAccords(element);
        if (accords.length > 0) attributes.push({ onset, accords });
        break;
      }
      case 'sound':
        readSound(element, cursor.at, signs, tempos, warn);
        putSwing(element, cursor.at, swings);
        break;
      case 'harmony': {
        const chord = readHarmony(element);
        if (chord !== null) chords.push({ onset: onsetOf(element, cursor.at, state), ...chord });
        break;
      }
      case 'barline':
        readBarline(element, signs, warn);
        break;
      case 'print':
        lineBreak ||= beginsLine(element);
        break;
      default:
        break;
    }
  return {
    events,
    directions,
    tempos,
    swings,
    chords,
    attributes,
    signs,
    length: cursor.reach,
    lineBreak,
    hasBeams: groups.any,
    beamed: groups.all,
    barRepeat,
  };
}
