/** What stands before the music: title, composer, remembered fields, and what is said of each part. */
import type { Origin } from '../score';
import { child, childText, childrenNamed, type XmlElement } from './xml-tree';

export interface PartHead {
  readonly name: string;
  readonly abbreviation: string;
  readonly sound: string | null;
  readonly program: number | null;
  readonly unpitched: ReadonlyMap<string, number>;
}

/** Reads `<score-part>`. */
export function readPartHead(element: XmlElement): PartHead {
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
    name: childText(element, 'part-name') ?? '',
    abbreviation: childText(element, 'part-abbreviation') ?? '',
    sound: instrument
      ? (childText(instrument, 'instrument-sound') ?? childText(instrument, 'instrument-name') ?? null)
      : null,
    program,
    unpitched,
  };
}

export interface Header {
  credit: string;
  composer: string;
  origin: Origin;
  identification: readonly [number, number] | null;
  headerEnd: number | null;
  miscellaneous: Record<string, string>;
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
});

/** Titles and names as one line, whatever breaks the file has in them. */
const line = (text: string | undefined): string => (text ?? '').replace(/\s+/g, ' ').trim();

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
