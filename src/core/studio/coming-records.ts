import { textMark } from './content-hash';
import type { StudioEvent } from './kinds/records';
import { aboutRecord, placeKey, placeOfRecord, type RecordPlace } from './record-place';

/** Records of one place that came with a file: as texts, which take a third of the room. */
export interface ComingPlace extends RecordPlace {
  readonly texts: readonly string[];
}

/** Records that come with a file, by where they lie; any number of them in little room. */
export interface ComingRecords {
  readonly count: number;
  readonly places: readonly ComingPlace[];
  /** Words about other records: they lie where those do. */
  readonly words: readonly StudioEvent[];
  /** Records whose ids others have that came before them, or seem to have. */
  readonly doubles: readonly StudioEvent[];
}

/** Takes records in one by one. */
export class RecordsByPlace {
  private readonly places = new Map<string, RecordPlace & { readonly texts: string[] }>();
  private readonly words: StudioEvent[] = [];
  private readonly doubles: StudioEvent[] = [];
  /** Of the ids: the ids themselves would take as much room as all else. */
  private readonly marks = new Set<number>();

  add(record: StudioEvent): void {
    const mark = textMark(record.id);
    if (this.marks.has(mark)) {
      this.doubles.push(record);
      return;
    }
    this.marks.add(mark);
    const place = placeOfRecord(record);
    if (place === null) {
      this.words.push(record);
      return;
    }
    const key = placeKey(place);
    const text = JSON.stringify(record);
    const there = this.places.get(key);
    if (there) there.texts.push(text);
    else this.places.set(key, { ...place, texts: [text] });
  }

  /** All that was taken in; nothing may be added afterwards. */
  all(): ComingRecords {
    const { size } = this.marks;
    this.marks.clear();
    return { count: size, places: [...this.places.values()], words: this.words, doubles: this.doubles };
  }
}

/**
 * Records by where they lie.
 *
 * @example recordsByPlace([level('2026-05-20', 'a', 3), takenBack('2026-05-21', 'e1')]).places.length // → 1
 */
export function recordsByPlace(records: readonly StudioEvent[]): ComingRecords {
  const by = new RecordsByPlace();
  for (const record of records) by.add(record);
  return by.all();
}

/**
 * The records of a place, with those words that are about them; a record that stands in for one of another place is
 * left out, for it is looked for in both.
 *
 * @example
 * recordsOfPlace(recordsByPlace([level('2026-05-20', 'a', 3)]).places[0], new Map()).records.length // → 1
 */
export function recordsOfPlace(
  place: ComingPlace,
  words: Map<string, readonly StudioEvent[]>,
): { readonly records: readonly StudioEvent[]; readonly crossing: readonly StudioEvent[] } {
  const own = place.texts.map((text) => JSON.parse(text) as StudioEvent);
  return withWords(own, words);
}

/**
 * The same of records that are at hand; the words that were found are taken out of `words`.
 *
 * @example withWords([level('2026-05-20', 'a', 3)], new Map()).crossing // → []
 */
export function withWords(
  own: readonly StudioEvent[],
  words: Map<string, readonly StudioEvent[]>,
): { readonly records: readonly StudioEvent[]; readonly crossing: readonly StudioEvent[] } {
  const ids = new Set(own.map((r) => r.id));
  const crossing: StudioEvent[] = [];
  const records: StudioEvent[] = [];
  for (const r of own) {
    const about = aboutRecord(r);
    if (about !== null && !ids.has(about)) crossing.push(r);
    else records.push(r);
  }
  if (words.size > 0)
    for (let i = 0; i < records.length; i += 1) {
      const id = records[i]?.id ?? '';
      const found = words.get(id);
      if (!found) continue;
      words.delete(id);
      records.push(...found);
    }
  return { records, crossing };
}
