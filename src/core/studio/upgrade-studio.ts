/**
 * Studios of earlier versions brought up to date: ids from places, instruments by id, days made anew from their times.
 * The same for a file and for a database, so that both come to the same. What was joined or changed is said, line by
 * line.
 */
import { instrumentFromWords } from '../instruments';
import { dayOf, shortDay, type Zone } from './day';
import { ladderId, placeId } from './identity';
import { markId, markInWords, markSchema, type Mark } from './kinds/marks';
import { clampText, MOST } from './limits';

/** Rows as they were kept: checked only afterwards. */
type Loose = Readonly<Record<string, unknown>>;
export type LooseStudio = Readonly<Record<string, readonly Loose[]>>;

export interface Upgraded {
  readonly studio: LooseStudio;
  /** What was changed, one sentence each. */
  readonly listed: readonly string[];
}

/** Two beginnings of a lesson with one student within this time, on both sides of midnight in UTC, were one lesson. */
const SAME_LESSON_MS = 3 * 3_600_000;

const text = (value: unknown): string => (typeof value === 'string' ? value : '');
const isoTime = (value: unknown): unknown => {
  const ms = typeof value === 'string' ? Date.parse(value) : Number.NaN;
  return Number.isNaN(ms) ? value : new Date(ms).toISOString();
};

/** A row whose times are written as this version writes them. */
function withTimes(row: Loose): Loose {
  const times: Record<string, unknown> = {};
  for (const field of ['updatedAt', 'at', 'addedAt'] as const) if (field in row) times[field] = isoTime(row[field]);
  if (typeof row['touched'] === 'object' && row['touched'] !== null)
    times['touched'] = Object.fromEntries(Object.entries(row['touched']).map(([field, at]) => [field, isoTime(at)]));
  return { ...row, ...times };
}

const withInstrument = (row: Loose): Loose => ({
  ...row,
  ...instrumentFromWords(text(row['instrument']).slice(0, 60)),
});

const laterOf = (a: Loose, b: Loose): Loose => (text(a['updatedAt']) >= text(b['updatedAt']) ? a : b);

/**
 * A mark's id from its place; what is no mark of ours keeps its id and is told apart later.
 *
 * @example markWithPlace({ ...finger('n1', '3'), id: 'old' }).id // → 'finger~p~n1~full~'
 */
export function markWithPlace(row: Loose): Loose {
  const parsed = markSchema.safeParse(row);
  return parsed.success ? { ...row, id: markId(parsed.data) } : row;
}

/**
 * A ladder with the id of its section.
 *
 * @example ladderWithPlace({ id: 'old', sectionId: 'a' }) // → { id: 'ladder~a', sectionId: 'a' }
 */
export const ladderWithPlace = (row: Loose): Loose => ({ ...row, id: ladderId(text(row['sectionId'])) });

const wordsOf = (row: Loose): string => {
  const parsed = markSchema.safeParse(row);
  return parsed.success ? markInWords(parsed.data as Mark) : 'mark';
};

function joinMarks(rows: readonly Loose[], listed: string[]): Loose[] {
  const marks = new Map<unknown, Loose>();
  for (const row of rows.map(markWithPlace)) {
    const there = marks.get(row['id']);
    if (!there) {
      marks.set(row['id'], row);
      continue;
    }
    const stands = laterOf(there, row);
    const gone = stands === there ? row : there;
    marks.set(row['id'], stands);
    if (wordsOf(stands) !== wordsOf(gone))
      listed.push(`Two marks at one place: ${wordsOf(stands)} stands, ${wordsOf(gone)} does not.`);
  }
  return [...marks.values()];
}

const listOf = (row: Loose, field: string): readonly Loose[] =>
  Array.isArray(row[field]) ? (row[field] as readonly Loose[]) : [];

/**
 * Two ladders of a section: the later one, with the rungs on top that only the other has. Nothing that was ticked is
 * lost.
 */
function joinLadders(rows: readonly Loose[], listed: string[]): Loose[] {
  const ladders = new Map<unknown, Loose>();
  for (const row of rows.map(ladderWithPlace)) {
    const there = ladders.get(row['id']);
    if (!there) {
      ladders.set(row['id'], row);
      continue;
    }
    const stands = laterOf(there, row);
    const gone = stands === there ? row : there;
    const removed = [...new Set([...listOf(stands, 'removed'), ...listOf(gone, 'removed')])] as unknown[];
    const ids = new Set(listOf(stands, 'rungs').map((r) => r['id']));
    const keys = new Set([...listOf(stands, 'rungs').flatMap((r) => r['key'] ?? []), ...removed]);
    const more = listOf(gone, 'rungs').filter(
      (r) => !ids.has(r['id']) && (r['key'] === undefined || !keys.has(r['key'])),
    );
    const rungs = [...listOf(stands, 'rungs'), ...more];
    ladders.set(row['id'], { ...stands, rungs, ...(removed.length > 0 ? { removed } : {}) });
    listed.push(
      `A section had two ladders: the later one stands, with ${more.length} ${more.length === 1 ? 'rung' : 'rungs'} that only the other had.`,
    );
  }
  return [...ladders.values()];
}

/** Records of lessons that midnight in UTC cut in two are said to be one. */
function joinedLessons(events: readonly Loose[], zone: Zone, listed: string[]): Loose[] {
  const lessons = events.filter((e) => e['kind'] === 'lesson').sort((a, b) => (text(a['at']) < text(b['at']) ? -1 : 1));
  const first = new Map<unknown, Loose>();
  const out: Loose[] = [];
  for (const lesson of lessons) {
    const before = first.get(lesson['studentId']);
    const at = Date.parse(text(lesson['at']));
    const near = before !== undefined && at - Date.parse(text(before['at'])) < SAME_LESSON_MS;
    // Where they lie on one day in UTC, too, they were begun as two on purpose.
    if (
      before &&
      near &&
      dayOf(text(before['at']), 'UTC') !== dayOf(text(lesson['at']), 'UTC') &&
      dayOf(text(before['at']), zone) === dayOf(text(lesson['at']), zone)
    ) {
      const id = placeId('lesson-joined', text(lesson['id']));
      out.push({
        id,
        at: lesson['at'],
        kind: 'lesson-joined',
        studentId: lesson['studentId'],
        lessonId: lesson['id'],
        into: before['id'],
      });
      listed.push(
        `A lesson on ${shortDay(dayOf(text(before['at']), zone))} was cut in two at midnight; it is one again.`,
      );
    } else first.set(lesson['studentId'], lesson);
  }
  return out;
}

function withDay(event: Loose, zone: Zone, moved: { count: number }): Loose {
  if (event['kind'] !== 'practice' || Number.isNaN(Date.parse(text(event['at'])))) return event;
  const day = dayOf(text(event['at']), zone);
  if (day !== event['day']) moved.count += 1;
  return { ...event, day };
}

const clamped = (row: Loose, field: string, most: number): Loose =>
  text(row[field]).length > most ? { ...row, [field]: clampText(text(row[field]), most) } : row;

/**
 * A studio of version 2 (or 1, which only lacked templates) as versions 3 to 6 keep it. `zone` is where the studio is.
 *
 * @example
 * upgradeStudio({ ladders: [{ id: 'old', sectionId: 'a' }] }, 'UTC').studio.ladders
 * // → [{ id: 'ladder~a', sectionId: 'a' }]
 */
export function upgradeStudio(old: LooseStudio, zone: Zone): Upgraded {
  const listed: string[] = [];
  const rows = (table: string): Loose[] => (old[table] ?? []).map(withTimes);
  const moved = { count: 0 };
  const events = rows('events').map((e) => withDay(e, zone, moved));
  if (moved.count > 0)
    listed.push(
      `${moved.count} practice ${moved.count === 1 ? 'log stands' : 'logs stand'} on another day now: the day where you are, ${zone}.`,
    );
  return {
    studio: {
      pieces: rows('pieces').map((p) =>
        clamped(clamped(withInstrument(p), 'title', MOST.title), 'composer', MOST.title),
      ),
      sections: rows('sections'),
      marks: joinMarks(rows('marks'), listed),
      ladders: joinLadders(rows('ladders'), listed),
      ways: [],
      templates: rows('templates'),
      students: rows('students').map(withInstrument),
      pages: rows('pages'),
      layouts: [],
      settings: rows('settings').map((s) => ({ ...s, zone: s['zone'] ?? zone })),
      events: [...events, ...joinedLessons(events, zone, listed)],
      removed: [],
      aside: [],
      damaged: [],
    },
    listed,
  };
}
