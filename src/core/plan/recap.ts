import { LEVEL_NAMES } from '../mastery';
import type { Assigned, Level } from '../studio';

export interface RecapRequest {
  readonly student: string;
  /** The day in words, as it is to be read. */
  readonly date: string;
  readonly missed: boolean;
  readonly said: string;
  readonly heard: readonly {
    readonly name: string;
    readonly level: Level;
    readonly before: Level | null;
    readonly note: string;
  }[];
  readonly items: readonly Assigned[];
  readonly cue: string;
}

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const SHORT = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/**
 * `every day`, `Mon, Wed, Fri`.
 *
 * @example daysInWords([0, 2, 4]) // → 'Mon, Wed, Fri'
 */
export const daysInWords = (days: readonly number[]): string =>
  days.length === 7
    ? 'every day'
    : days.length === 1
      ? (DAYS[days[0] ?? 0] ?? '')
      : days.map((d) => SHORT[d] ?? '').join(', ');

const once = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

/**
 * Lesson and week in plain language, for a parent or a missed lesson: lines of text, no jargon of the tool.
 *
 * @example
 * recapText({ student: 'Ada', date: '20 May', missed: true, said: '', heard: [], items: [],
 *   cue: '' }).split('\n')[0] // → 'Ada, this is for the lesson missed on 20 May.'
 */
export function recapText(r: RecapRequest): string {
  const out: string[] = [
    r.missed ? `${r.student}, this is for the lesson missed on ${r.date}.` : `${r.student}’s lesson on ${r.date}`,
    '',
  ];
  if (r.heard.length > 0) {
    out.push('What I heard:');
    for (const h of r.heard) {
      const change =
        h.before === null || h.before === h.level
          ? ''
          : h.level > h.before
            ? `, up from ${h.before}`
            : `, down from ${h.before}`;
      out.push(
        `- ${h.name}: ${LEVEL_NAMES[h.level].toLowerCase()} (${h.level} of 5${change})${h.note === '' ? '' : `. ${h.note}`}`,
      );
    }
    out.push('');
  }
  if (r.said.trim() !== '') out.push(r.said.trim(), '');
  if (r.items.length > 0) {
    out.push('For this week:');
    for (const item of r.items) {
      const tempo = item.tempo === null ? '' : `, at ${item.tempo}`;
      const by = item.by === 'midweek' ? '. You should have it by midweek' : '';
      out.push(
        `- ${item.what}${tempo}: ${once(item.timesADay)} a day, ${daysInWords(item.days)}, about ${item.minutes} min${by}.${item.cue === '' ? '' : ` ${item.cue}`}`,
      );
    }
    const total = r.items.reduce((sum, i) => sum + i.minutes * i.days.length, 0);
    out.push('', `That is about ${Math.round(total)} minutes in the week.`);
  } else out.push('Nothing new for this week.');
  if (r.cue.trim() !== '') out.push('', `Remember: ${r.cue.trim()}`);
  out.push('', 'If anything hurts, tingles or goes numb: stop, rest, and see a clinician who knows musicians.');
  return out.join('\n');
}
