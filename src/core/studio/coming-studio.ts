import { fail, ok, type Result } from '../result';
import { RecordsByPlace, type ComingRecords } from './coming-records';
import type { Zone } from './day';
import { JsonRows, type JsonTrouble } from './json-rows';
import { eventSchema } from './kinds/records';
import { byId } from './merge-studio';
import { asDamaged, checkRow, parseStudio } from './parse-studio';
import { STUDIO_VERSION, type Damaged, type Studio } from './schemas';
import { HEAD, REFUSALS, upgradedLists, type StudioFileCode } from './studio-file';

/** A studio that comes with a file: its rows, and its records by where they lie. */
export interface ComingStudio {
  /** Without records. */
  readonly studio: Studio;
  readonly records: ComingRecords;
  readonly version: number;
  readonly listed: readonly string[];
}

/** Rows and records in one file at most: some twenty times what the longest life of teaching comes to. */
const MOST_ROWS = 10_000_000;

const CODES: Readonly<Record<JsonTrouble, StudioFileCode>> = {
  'not-json': 'studio-not-json',
  'row-too-long': 'studio-too-large',
};

/**
 * Reads a studio file as it comes in, in portions of any length, so that it is never the whole in memory: each record
 * is checked and put in its place at once. The same is refused as by `readStudioFile`.
 */
export class StudioFileReader {
  private readonly lists = new Map<string, unknown[]>();
  private readonly head = new Map<string, unknown>();
  private readonly records = new RecordsByPlace();
  private readonly damaged: Damaged[] = [];
  private readonly rows: JsonRows;
  private refusal: StudioFileCode | null = null;
  private count = 0;
  private isEmpty = true;

  constructor(
    private readonly file: string,
    private readonly zone: Zone,
  ) {
    this.rows = new JsonRows('studio', {
      value: (key, text) => this.tookHead(key, text),
      row: (list, text) => this.tookRow(list, text),
      list: (list) => void this.lists.set(list, this.lists.get(list) ?? []),
    });
  }

  /** Takes in the next portion. */
  write(text: string): Result<null, StudioFileCode> {
    if (this.isEmpty) this.isEmpty = text.trim() === '';
    const trouble = this.refusal === null ? this.rows.write(text) : null;
    if (trouble) this.refusal ??= CODES[trouble];
    return this.refusal === null ? ok(null) : this.refused(this.refusal);
  }

  /** After the last portion. */
  end(): Result<ComingStudio, StudioFileCode> {
    if (this.isEmpty) return this.refused('studio-empty');
    const trouble = this.refusal === null ? this.rows.end() : null;
    if (trouble) this.refusal = CODES[trouble];
    if (this.refusal !== null) return this.refused(this.refusal);
    const head = HEAD.safeParse(Object.fromEntries(this.head));
    if (!head.success) return this.refused('studio-not-ours');
    const { version } = head.data;
    if (version > STUDIO_VERSION) return this.refused('studio-newer');
    if (this.lists.size === 0) return this.refused('studio-broken');
    const lists = Object.fromEntries(this.lists);
    const { studio: data, listed } = version < 3 ? upgradedLists(lists, this.zone) : { studio: lists, listed: [] };
    const studio = parseStudio(data);
    if (!studio) return this.refused('studio-broken');
    // Those of an early version, or of a file that says its version last, were kept until now.
    for (const record of studio.events) this.records.add(record);
    return ok({
      studio: { ...studio, events: [], damaged: byId([...studio.damaged, ...this.damaged]) },
      records: this.records.all(),
      version,
      listed,
    });
  }

  private refused(code: StudioFileCode) {
    const version = this.head.get('version');
    return fail(code, REFUSALS[code](this.file, typeof version === 'number' ? version : undefined), {
      file: this.file,
    });
  }

  private tookHead(key: string, text: string): void {
    const value = parsed(text);
    if (value === BROKEN) this.refusal ??= 'studio-not-json';
    else this.head.set(key, value);
    // A newer version is told before the whole is read.
    if (key === 'version' && typeof value === 'number' && value > STUDIO_VERSION) this.refusal ??= 'studio-newer';
    if (key === 'format' && value !== 'oakrungs-studio') this.refusal ??= 'studio-not-ours';
  }

  private tookRow(list: string, text: string): void {
    this.count += 1;
    if (this.count > MOST_ROWS) {
      this.refusal ??= 'studio-too-large';
      return;
    }
    const row = parsed(text);
    if (row === BROKEN) {
      this.refusal ??= 'studio-not-json';
      return;
    }
    const version = this.head.get('version');
    if (list !== 'events' || typeof version !== 'number' || version < 3) {
      this.lists.get(list)?.push(row);
      return;
    }
    const checked = checkRow(eventSchema, row);
    if ('row' in checked) this.records.add(checked.row);
    else this.damaged.push(asDamaged(list, row, checked.why));
  }
}

const BROKEN = Symbol('broken');
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return BROKEN;
  }
}
