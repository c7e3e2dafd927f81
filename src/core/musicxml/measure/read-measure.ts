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
import type { RawAttributes, RawDirection, RawMeasure, RawNote, RawSigns, RawSwing, RawTempo } from './raw-measure';
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
  let hasBeams = false;
  const beamed: Fraction[] = [];
  const beamFrom = new Map<string, Fraction>();
  let barRepeat: RawMeasure['barRepeat'] = null;
  for (const element of measure.children)
    switch (element.name) {
      case 'note': {
        const note = readNote(element, { state, cursor, warn, sourceIndex: events.length, chordOnset });
        events.push(note);
        if (!note.chord) chordOnset = note.onset;
        const beam = childText(element, 'beam');
        hasBeams ||= beam !== undefined;
        if (beam === 'begin') beamFrom.set(note.voice, note.onset);
        const from = beam === 'end' ? beamFrom.get(note.voice) : undefined;
        if (from) beamed.push(subtract(add(note.onset, note.duration), from));
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
        const sound = child(element, 'sound');
        const swing = sound ? readSwing(sound, onset) : null;
        if (swing) swings.push(swing);
        const accords = readAccords(element);
        if (accords.length > 0) attributes.push({ onset, accords });
        readDirection(element, cursor.at, state, { directions, tempos, signs }, warn);
        break;
      }
      case 'sound':
        {
          const swing = readSwing(element, cursor.at);
          if (swing) swings.push(swing);
        }
        readSound(element, cursor.at, signs, tempos, warn);
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
    hasBeams,
    beamed,
    barRepeat,
  };
}
