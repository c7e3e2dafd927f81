/** What stands before the music: title, composer, remembered fields, and what is said of each part. */
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
  title: string;
  movement: string;
  credit: string;
  composer: string;
  identification: readonly [number, number] | null;
  headerEnd: number | null;
  miscellaneous: Record<string, string>;
}

export const noHeader = (): Header => ({
  title: '',
  movement: '',
  credit: '',
  composer: '',
  identification: null,
  headerEnd: null,
  miscellaneous: {},
});

/** Takes what an element in front of the music says into the header. */
export function readHeader(element: XmlElement, header: Header): void {
  switch (element.name) {
    case 'work':
      header.title = childText(element, 'work-title') ?? '';
      break;
    case 'movement-title':
      header.movement = element.text.trim();
      break;
    case 'credit':
      if (childText(element, 'credit-type') === 'title' && header.credit === '')
        header.credit = childText(element, 'credit-words') ?? '';
      break;
    case 'identification': {
      header.identification = [element.start, element.end];
      const creators = childrenNamed(element, 'creator');
      header.composer = (creators.find((c) => c.attributes['type'] === 'composer') ?? creators[0])?.text.trim() ?? '';
      const miscellaneous = child(element, 'miscellaneous');
      for (const field of miscellaneous ? childrenNamed(miscellaneous, 'miscellaneous-field') : [])
        header.miscellaneous[field.attributes['name'] ?? ''] = field.text;
      break;
    }
    default:
      break;
  }
}
