/** Every question of how it is taught changes something, asked of the studio, of a student and of a piece. */
import { describe, expect, it } from 'vitest';
import { placeBreaths } from '@/core/breath';
import { fingerScore } from '@/core/fingering';
import { analysisOf } from '@/core/analysis';
import { buildLadder, tempoSteps } from '@/core/ladder';
import { buildPlaces, schoolFor, WAY_SCHOOLS } from '@/core/way';
import { askedFacets } from '@/core/mastery';
import { realiseOrnaments, usualStyle } from '@/core/ornaments';
import { countStaff, countText } from '@/core/rhythm';
import { countingWay, TEACHING_QUESTIONS, teachingFor, USUAL_TEACHING, type Teaching } from '@/core/studio';
import { fingerLane, usualView } from '@/marked';
import { scoreOfAbc } from '@/core/studio/abc-for-tests';

const read = (text: string) => scoreOfAbc(text);
/** Two hands, a new rhythm, dynamics, an ornament and a hard end. */
const DUET = read(`X:1
M:4/4
L:1/8
Q:1/4=96
%%score {1 2}
V:1 clef=treble name="Piano"
V:2 clef=bass
K:C
V:1
!p!C2 D2 E2 F2 | G3 A B2 c2 | TG4 E4 | C8 | C2 D2 E2 F2 | G3 A B2 c2 | cBAG FEDC | !f![CEGc]8 |]
V:2
C,4 G,4 | E,4 D,4 | G,,8 | C,8 | C,4 G,4 | E,4 D,4 | G,,8 | C,8 |]
`);
const TUNE = read(
  'X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:G\nG A B c | d2 c2 | B A G A | B4 | G A B c | d2 e2 | d c B A | G4 |]\n',
);

/** What comes back, a hard line that comes once, and an easy one: no two schools order them alike. */
const SONG = read(
  'X:1\nM:4/4\nL:1/4\nQ:1/4=100\nK:C\nc B A G|F2 E2|D E F G|A4|E G E G|A2 B2|c B A B|c4|[M:4/4] c/^d/f/a/ ^g/b/^c/e/|^f/a/c/e/ ^d/^f/a/c/|g/^c/e/b/ ^a/^f/^d/B/|c4|G2 G2|A2 A2|B2 B2|G4|E G E G|A2 B2|c B A B|c4|]\n',
);

const JIG = read('X:1\nM:6/8\nL:1/8\nK:G\nGAB c2d | G3 B3 | [M:3/8] GAB | c3 |]\n');
/** Nothing in it says where its second beat is. */
const FIVE = read('X:1\nM:5/8\nL:1/8\nK:G\nG A B c d | e d c B A |]\n');
const countsOf = (score: ReturnType<typeof read>, teaching: Teaching): readonly string[] =>
  countStaff(score, 'P1', 1, 0, score.bars.length - 1, countingWay(teaching)).map((b) => countText(b.tokens));

const ladder = (teaching: Teaching, from = 0) =>
  buildLadder({
    score: DUET,
    from,
    to: 7,
    instrument: 'piano',
    targetTempo: 96,
    teaching,
    level: 'beginner',
    sectionId: 's',
  }).map((r) => [r.kind, r.what, r.tempo, r.done]);

/** What a setting decides, by the computation that the screens show. */
const OUTCOME: { readonly [K in keyof Teaching]: (teaching: Teaching) => unknown } = {
  hands: ladder,
  order: (t) =>
    t.order === 'own'
      ? 'own'
      : buildPlaces(
          analysisOf(SONG),
          'advanced',
          schoolFor(WAY_SCHOOLS.find((x) => x === t.order) ?? null, 'advanced'),
        ).map((p) => p.chunk.name),
  fingers: (t) => {
    const notes = DUET.notes.filter((n) => n.staff === 1 && n.part === 'P1');
    const fingered = new Map(fingerScore(DUET, { instrument: 'piano' }).notes.map((f) => [f.noteId, f]));
    return fingerLane(notes, usualView(t), new Map(), fingered, new Set(), null).texts.map((x) => x.text);
  },
  dynamics: ladder,
  moveOn: ladder,
  counting: (t) => [ladder(t), countStaff(DUET, 'P1', 1, 0, 1, { system: t.counting }).map((b) => countText(b.tokens))],
  compound: (t) => countsOf(JIG, t),
  uneven: (t) => countsOf(FIVE, t),
  trills: (t) => [ladder(t), realiseOrnaments(DUET, usualStyle(t.trills), 96)],
  time: (t) => placeBreaths(TUNE, 60, 9, { strictTime: t.time === 'metronome' }).breaths,
  reading: ladder,
  memory: (t) => [ladder(t), [...askedFacets(DUET, 0, 7, [], t)]],
  tempoSteps: (t) => tempoSteps({ start: 50, target: 140, school: t.tempoSteps, step: 8, over: 4, cap: null }),
};

describe.each(TEACHING_QUESTIONS.map((q) => [q.key, q] as const))('%s', (key, { schools }) => {
  const others = schools.map(([answer]) => answer).filter((answer) => answer !== USUAL_TEACHING[key]);
  it('has another outcome for each of its answers', () => {
    const outcomes = schools.map(([answer]) => JSON.stringify(OUTCOME[key]({ ...USUAL_TEACHING, [key]: answer })));
    expect(new Set(outcomes).size).toBe(schools.length);
  });
  it.each(others)('%s is heard from the studio, a student and a piece, the closest first', (answer) => {
    const own = { [key]: answer } as Partial<Teaching>;
    const usual = { [key]: USUAL_TEACHING[key] } as Partial<Teaching>;
    const wanted = OUTCOME[key]({ ...USUAL_TEACHING, ...own });
    expect(OUTCOME[key](teachingFor(undefined, undefined, own))).toEqual(wanted);
    expect(OUTCOME[key](teachingFor(undefined, own, usual))).toEqual(wanted);
    expect(OUTCOME[key](teachingFor(own, usual, usual))).toEqual(wanted);
    expect(OUTCOME[key](teachingFor(usual, own, own))).not.toEqual(wanted);
  });
});
