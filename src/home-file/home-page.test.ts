import { createHash } from 'node:crypto';
import { JSDOM } from 'jsdom';
import { describe, expect, it } from 'vitest';
import { weekSheet, type SheetStudio } from '@/core/sheet';
import { student } from '@/core/commands/stored-for-tests';
import type { AssignmentEvent, Student } from '@/core/studio';
import type { DrawnSheet } from '@/sheet';
import { homePage } from './home-page';
import { makeHomeWeek } from './make-home-week';
import { fromText } from './plain-data';
import type { HomeWeek } from './home-week';

const HOSTILE = '</script><script>window.hacked=1</script><img src=x onerror="window.hacked=1">&lt;b&gt;';
const PROGRAM = { script: 'window.ran = (window.ran ?? 0) + 1; "</script>"', style: 'p { color: red }' };

/** A week of one task, with every text that a teacher writes being such a text. */
function weekOf(text: string, name = text): { readonly studio: SheetStudio; readonly sheet: DrawnSheet } {
  const own: Student = student('s', { name });
  const assignment: AssignmentEvent = {
    id: 'w',
    at: '2026-11-24T15:00:00.000Z',
    kind: 'assignment',
    studentId: 's',
    lessonId: null,
    items: [
      {
        id: 'i',
        kind: 'own',
        pieceId: null,
        sectionId: null,
        what: text,
        tempo: null,
        minutes: 5,
        days: [0, 1, 2],
        timesADay: 2,
        by: 'midweek',
        cue: text,
        why: text,
      },
    ],
    leftOut: [],
    cue: text,
    minutesAvailable: 60,
  };
  const studio: SheetStudio = {
    student: own,
    assignment,
    lessonDays: [],
    pieces: [],
    places: [],
    ladders: [],
    marks: [],
    settings: null,
    zone: 'UTC',
  };
  const week = weekSheet({ ...studio, pieces: new Map() });
  return { studio, sheet: { week, pieces: new Map(), music: new Map(), failed: new Map() } };
}

const pageOf = async (text: string, name?: string): Promise<string> => {
  const { studio, sheet } = weekOf(text, name);
  const home = makeHomeWeek({
    studio,
    sheet,
    rungsDone: new Set(),
    words: { bar: 'bar', notes: 'american' },
    a4: 440,
    piano: new Map(),
  });
  return homePage(home, sheet, PROGRAM);
};

describe('the file for home', () => {
  it('never runs what a teacher wrote, in whichever field it stands', async () => {
    const { window } = new JSDOM(await pageOf(HOSTILE), { runScripts: 'dangerously' });
    expect('hacked' in window).toBe(false);
    expect(window.document.querySelectorAll('img')).toHaveLength(0);
    // Its own program ran, once.
    expect((window as unknown as { ran: number }).ran).toBe(1);
    // And the words are there as they were written.
    expect(window.document.querySelector('#sheet')?.textContent).toContain(HOSTILE);
    const home = fromText(window.document.querySelector('#week')?.textContent ?? '') as HomeWeek;
    expect(home.cue).toBe(HOSTILE);
    expect(home.tasks.map((t) => t.title)).toEqual([HOSTILE]);
  });
  it('lets only its own script run, by its hash, and nothing reach out', async () => {
    const { document } = new JSDOM(await pageOf('Clap it')).window;
    const policy = document.querySelector('meta[http-equiv]')?.getAttribute('content') ?? '';
    const script = [...document.querySelectorAll('script')].find((s) => s.type === '')?.textContent ?? '';
    const hash = createHash('sha256').update(script).digest('base64');
    expect(policy).toContain(`script-src 'sha256-${hash}'`);
    expect(policy).toMatch(/default-src 'none';.*connect-src 'none'/);
  });
  it('holds only the first word of a name, and no id of the studio', async () => {
    const page = await pageOf('Clap it', 'Nils Example');
    expect(page).toContain('Nils, week of 24 November');
    expect(page).not.toContain('Example');
    expect(page).not.toMatch(/"studentId"|"sectionId"/);
  });
  it('is called as a file may be called', async () => {
    expect(await pageOf('Clap it', 'Nils')).toMatch(/<title[^>]*>Nils, week of 24 November<\/title>/);
  });
});
