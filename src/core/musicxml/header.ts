/** What stands before the music: title, composer, remembered fields, and what is said of each part. */
import type { Origin } from '../score';
import { child, childText, childrenNamed, type XmlElement } from './xml-tree';

export interface PartHead {
  readonly name: string;
  readonly abbreviation: string;
  /** Names of the groups around it, the outer first. */
  readonly groups: readonly string[];
  readonly sound: string | null;
  readonly program: number | null;
  readonly drumChannel: boolean;
  readonly unpitched: ReadonlyMap<string, number>;
}

/** Titles and names as one line, whatever breaks the file has in them. */
const line = (text: string | undefined): string => (text ?? '').replace(/\s+/g, ' ').trim();

/** Lines that are numbers of players, one under the other: "1" over "2" is "1, 2". */
const NUMBERS = /^\s*[\divx]+\.?\s*(\n\s*[\divx]+\.?\s*)+$/i;
const nameLine = (text: string | undefined): string =>
  NUMBERS.test(text ?? '') ? line((text ?? '').trim().replace(/\s*\n\s*/g, ', ')) : line(text);

/** A name as it is displayed, where the file says it twice. */
function nameIn(element: XmlElement, name: 'part-name' | 'part-abbreviation' | 'group-name'): string {
  const plain = nameLine(childText(element, name));
  const display = child(element, `${name}-display`);
  if (plain !== '' || !display) return plain;
  return line(
    display.children.map((c) => (c.name === 'accidental-text' ? (ACCIDENTALS[c.text.trim()] ?? '') : c.text)).join(''),
  );
}

const ACCIDENTALS: Readonly<Record<string, string>> = { flat: '♭', sharp: '♯', natural: '♮' };

/** The channel of drums, counted from 1. Source: General MIDI System Level 1. */
const DRUM_CHANNEL = '10';

/** Reads `<score-part>`. */
function readPartHead(element: XmlElement, groups: readonly string[]): PartHead {
  const unpitched = new Map<string, number>();
  let program: number | null = null;
  for (const midi of childrenNamed(element, 'midi-instrument')) {
    const key = Number(childText(midi, 'midi-unpitched'));
    if (Number.isInteger(key) && key >= 1 && key <= 128) unpitched.set(midi.attributes['id'] ?? '', key - 1);
    const number = Number(childText(midi, 'midi-program'));
    if (program === null && Number.isInteger(number) && number >= 1 && number <= 128) program = number - 1;
  }
  const instrument = child(element, 'score-instrument');
  return {
    name: nameIn(element, 'part-name'),
    abbreviation: nameIn(element, 'part-abbreviation'),
    groups,
    sound: instrument
      ? (childText(instrument, 'instrument-sound') ?? childText(instrument, 'instrument-name') ?? null)
      : null,
    program,
    drumChannel: childrenNamed(element, 'midi-instrument').some((m) => childText(m, 'midi-channel') === DRUM_CHANNEL),
    unpitched,
  };
}

/** Reads `<part-list>`: every part by its id, with the groups that are open around it. */
export function readPartList(element: XmlElement): ReadonlyMap<string, PartHead> {
  const heads = new Map<string, PartHead>();
  const open = new Map<string, string>();
  for (const entry of element.children)
    if (entry.name === 'score-part')
      heads.set(
        entry.attributes['id'] ?? '',
        readPartHead(
          entry,
          [...open.values()].filter((name) => name !== ''),
        ),
      );
    else if (entry.name === 'part-group') {
      const number = entry.attributes['number'] ?? '1';
      if (entry.attributes['type'] === 'stop') open.delete(number);
      else open.set(number, nameIn(entry, 'group-name'));
    }
  return heads;
}

export interface Header {
  credit: string;
  composer: string;
  origin: Origin;
  identification: readonly [number, number] | null;
  headerEnd: number | null;
  miscellaneous: Record<string, string>;
  /** The pages show what sounds, not what each player reads. */
  concert: boolean;
}

export const noHeader = (): Header => ({
  credit: '',
  composer: '',
  origin: {
    work: '',
    workNumber: '',
    movement: '',
    movementNumber: '',
    lyricist: '',
    arranger: '',
    source: '',
    rights: '',
  },
  identification: null,
  headerEnd: null,
  miscellaneous: {},
  concert: false,
});

/** What `<identification>` says of who made the music, and of where it comes from. */
function readIdentification(element: XmlElement, header: Header): void {
  const creators = childrenNamed(element, 'creator');
  const called = (type: string): string =>
    creators
      .filter((c) => c.attributes['type'] === type)
      .map((c) => line(c.text))
      .join(', ');
  const untyped = creators.find((c) => c.attributes['type'] === undefined);
  header.composer = called('composer') || line(untyped?.text);
  header.origin = {
    ...header.origin,
    lyricist: called('lyricist') || called('poet'),
    arranger: called('arranger'),
    source: line(childText(element, 'source')),
    rights: childrenNamed(element, 'rights')
      .map((r) => line(r.text))
      .join('; '),
  };
}

/** Takes what an element in front of the music says into the header. */
export function readHeader(element: XmlElement, header: Header): void {
  switch (element.name) {
    case 'work':
      header.origin = {
        ...header.origin,
        work: line(childText(element, 'work-title')),
        workNumber: line(childText(element, 'work-number')),
      };
      break;
    case 'movement-title':
      header.origin = { ...header.origin, movement: line(element.text) };
      break;
    case 'movement-number':
      header.origin = { ...header.origin, movementNumber: line(element.text) };
      break;
    case 'credit':
      if (childText(element, 'credit-type') === 'title' && header.credit === '')
        header.credit = line(childText(element, 'credit-words'));
      break;
    case 'defaults':
      header.concert = child(element, 'concert-score') !== undefined;
      break;
    case 'identification': {
      header.identification = [element.start, element.end];
      readIdentification(element, header);
      const miscellaneous = child(element, 'miscellaneous');
      for (const field of miscellaneous ? childrenNamed(miscellaneous, 'miscellaneous-field') : [])
        header.miscellaneous[field.attributes['name'] ?? ''] = field.text;
      break;
    }
    default:
      break;
  }
}
