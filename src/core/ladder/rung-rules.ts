import { FREE_BEND } from '../score';
import type { Teaching } from '../studio';
import { both, inScope, one, THREE, type ProposedRung, type RungFacts } from './rung-facts';
import { tempoSteps } from './tempo-steps';

type Rule = (f: RungFacts) => readonly ProposedRung[];

/** When a rung counts as done: three in a row before going on, or once now and again tomorrow. */
const doneBy = (f: RungFacts): string =>
  f.teaching.moveOn === 'gate' ? THREE : 'once through, then come back tomorrow';

/** Step between tempos, in beats a minute or percent **[common practice]**. */
export const TEMPO_STEP = 8;
/** How far past the target the last tempo goes, in percent **[common practice]**: a little past. */
export const TEMPO_OVER = 4;

const posture: Rule = (f) =>
  f.firstOfPiece && f.level === 'beginner' && inScope(f, 'unit', 'section')
    ? [
        one(
          'posture',
          'Check how you sit and hold, then find the first place',
          '',
          null,
          1,
          'found without looking',
          'the piece begins here',
        ),
      ]
    : [];

const listen: Rule = (f) =>
  f.teaching.reading === 'rote' && inScope(f, 'unit', 'section')
    ? [
        one(
          'listen',
          `Listen to bars ${f.bars} and sing them back`,
          '',
          f.target,
          2,
          'sung back once',
          'this piece is learned by ear',
        ),
      ]
    : [];

const warmUp: Rule = (f) => {
  if (!inScope(f, 'section', 'phrase')) return [];
  const { scaleRun, leap, chordChanges } = f.content;
  return [
    ...(f.strums && chordChanges.length > 0
      ? [
          one(
            'warm-up',
            `Change ${chordChanges.slice(0, 4).join(', ')}, without strumming`,
            '',
            f.start,
            4,
            'each change on the beat, 4 times',
            `${chordChanges.length} chord ${chordChanges.length === 1 ? 'change' : 'changes'} here`,
            {
              key: 'warm-up chords',
            },
          ),
        ]
      : []),
    ...(scaleRun
      ? [
          one(
            'warm-up',
            `Warm up: the scale of ${scaleRun.name}`,
            both(f),
            f.start,
            2,
            'twice, evenly',
            `bar ${f.numberOf(scaleRun.bar)} runs along it`,
            {
              key: 'warm-up scale',
            },
          ),
        ]
      : []),
    ...(leap
      ? [
          one(
            'warm-up',
            `Find the leap into bar ${f.numberOf(leap.bar)} without playing`,
            '',
            null,
            4,
            '4 times at once',
            `a leap of ${leap.semitones} semitones`,
            {
              key: 'warm-up leap',
            },
          ),
        ]
      : []),
  ];
};

const COUNT_WORD: Readonly<Record<Teaching['counting'], string>> = {
  unit: 'say each length',
  meter: 'say the count',
  syllables: 'say ta and ti-ti',
  takadimi: 'say takadimi',
};

const tap: Rule = (f) =>
  f.content.newRhythms.length > 0 && f.level !== 'advanced' && inScope(f, 'unit', 'section')
    ? [
        one(
          'tap',
          `Tap bars ${f.bars} and ${COUNT_WORD[f.teaching.counting]}`,
          both(f),
          f.start,
          2,
          'twice without a stop',
          `a rhythm not met before in bar ${f.numberOf(f.content.newRhythms[0] ?? 0)}`,
        ),
      ]
    : [];

const block: Rule = (f) =>
  f.content.chordBars >= 2 && inScope(f, 'section', 'phrase')
    ? [
        one(
          'block',
          'Set each chord on the keys or strings, then play it as one',
          both(f),
          null,
          2,
          'every shape found at once',
          `chords in ${f.content.chordBars} bars`,
        ),
      ]
    : [];

const hands: Rule = (f) => {
  if (f.content.hands.length < 2 || !inScope(f, 'unit', 'section')) return [];
  if (f.teaching.hands === 'together' || (f.scope === 'unit' && f.level === 'advanced')) return [];
  return [
    one('right-alone', 'Right hand alone', 'right', f.start, f.times, doneBy(f), 'one problem at a time'),
    one('left-alone', 'Left hand alone', 'left', f.start, f.times, doneBy(f), 'one problem at a time'),
  ];
};

const say: Rule = (f) =>
  f.level === 'beginner' && f.content.notes > 0 && inScope(f, 'section')
    ? [
        one(
          'play-and-say',
          `Play and ${COUNT_WORD[f.teaching.counting]}`,
          '',
          f.start,
          2,
          'twice without a stop',
          'saying it keeps the beat',
        ),
      ]
    : [];

const together: Rule = (f) => {
  if (!inScope(f, 'unit', 'section') || f.content.notes === 0) return [];
  if (f.content.hands.length < 2) {
    return [
      one(
        'alone',
        'Play slowly, right notes and fingers',
        '',
        f.start,
        f.times,
        doneBy(f),
        'right from the first time',
      ),
    ];
  }
  const slow = Math.min(f.start, Math.max(30, Math.round(f.start * 0.9)));
  return [
    ...(f.scope === 'section' && f.level !== 'advanced'
      ? [
          one(
            'stops',
            'Hands together, stop at each bar line',
            'both',
            slow,
            f.times,
            '3 in a row, fingers as marked',
            'the bar line is where the hand prepares',
          ),
        ]
      : []),
    one('together', 'Hands together without stops', 'both', f.start, f.times, doneBy(f), 'both hands as one'),
  ];
};

const eyes: Rule = (f) =>
  f.teaching.reading === 'reading' && f.level !== 'advanced' && inScope(f, 'section')
    ? [
        one(
          'eyes',
          'Eyes on the page all the way',
          both(f),
          f.start,
          2,
          'no look at the hands',
          'the first two times at the hands, from now on at the page',
        ),
      ]
    : [];

const corners: Rule = (f) =>
  inScope(f, 'unit', 'section')
    ? f.content.corners.map((c) =>
        one(
          'corner',
          `Loop bar ${f.numberOf(c.bar)}${f.lastOfPiece && f.bars.endsWith(f.numberOf(c.bar)) ? '' : ' with the first note of the next'}`,
          both(f),
          f.start,
          f.times + 2,
          '4 in a row',
          c.reason,
          { key: `corner ${c.bar}`, bars: [c.bar, c.bar] },
        ),
      )
    : [];

const joins: Rule = (f) => {
  if (f.scope === 'join')
    return [
      one(
        'join',
        'Through the join without a stop',
        both(f),
        f.start,
        f.times,
        '3 in a row',
        'the join is learned with its neighbours',
      ),
    ];
  if (f.scope !== 'section' || f.firstOfPiece) return [];
  return [
    one(
      'join',
      'From the bar before into this section',
      both(f),
      f.start,
      f.times,
      '3 in a row',
      'the join is learned with the section',
    ),
  ];
};

const words: Rule = (f) =>
  f.content.words && inScope(f, 'section', 'phrase')
    ? [
        one(
          'words',
          'Say the words in the rhythm, then play and think them',
          '',
          f.start,
          2,
          'once without a stop',
          'words are printed here',
        ),
      ]
    : [];

const ornaments: Rule = (f) => {
  const [bar] = f.content.ornaments;
  if (bar === undefined || !inScope(f, 'section', 'phrase')) return [];
  const measured = f.teaching.trills === 'measured';
  return [
    one(
      'slow',
      `The ornament of bar ${f.numberOf(bar)}: without it, then with it${measured ? ', measured' : ''}`,
      both(f),
      f.start,
      3,
      'the beat stays',
      'an ornament is printed',
      {
        key: 'slow ornament',
        bars: [bar, bar],
      },
    ),
  ];
};

const touch: Rule = (f) =>
  f.content.touches && inScope(f, 'section', 'phrase')
    ? [
        one(
          'articulation',
          'Every slur and touch as printed',
          both(f),
          Math.round((f.start + f.target) / 2),
          3,
          'heard by someone else',
          'slurs or touches are printed here',
        ),
      ]
    : [];

const dynamics: Rule = (f) =>
  (f.content.dynamics || f.ownDynamics) && inScope(f, 'section', 'phrase')
    ? [
        one(
          'dynamics',
          f.content.dynamics ? 'Dynamics as printed' : 'Dynamics as marked',
          both(f),
          f.teaching.dynamics === 'start' ? f.start : Math.round((f.start + f.target) / 2),
          3,
          'heard by someone else',
          f.content.dynamics ? 'dynamics are printed here' : 'you marked dynamics here',
        ),
      ]
    : [];

const tempo: Rule = (f) => {
  if (!inScope(f, 'section')) return [];
  if (f.content.freeTime !== null) {
    const low = Math.round(f.target * (1 - FREE_BEND));
    const high = Math.round(f.target * (1 + FREE_BEND));
    return [
      one(
        'tempo',
        `Free in time, between ${low} and ${high}`,
        both(f),
        low,
        4,
        'twice, each time on purpose',
        `printed here: ${f.content.freeTime}`,
        {
          tempoTo: high,
        },
      ),
    ];
  }
  const steps = tempoSteps({
    start: f.start,
    target: f.target,
    school: f.teaching.tempoSteps,
    step: TEMPO_STEP,
    over: TEMPO_OVER,
    cap: null,
  });
  const last = steps[steps.length - 1] ?? f.target;
  if (f.target <= f.start && steps.length < 2) return [];
  return [
    one(
      'tempo',
      'Tempo steps',
      both(f),
      f.start,
      Math.min(100, steps.length * 2),
      'each step twice, all notes right',
      `from ${f.start}, where everything is right, to ${f.target} and a little past`,
      {
        tempoTo: last,
      },
    ),
  ];
};

const partner: Rule = (f) =>
  f.content.parts > 1 && inScope(f, 'section', 'piece')
    ? [
        one(
          'partner',
          'With the partner: a count-in, slowly, without repeats',
          '',
          f.start,
          2,
          'to the end without a stop',
          'there is another part',
        ),
      ]
    : [];

const memory: Rule = (f) =>
  f.teaching.memory === 'asked' && inScope(f, 'section', 'piece')
    ? [
        one(
          'starting-point',
          'From each starting point, in the order they are drawn',
          both(f),
          Math.round(f.target * 0.8),
          3,
          'every start found at once',
          'a start in every phrase keeps it safe',
        ),
        one(
          'memory',
          `Bars ${f.bars} from memory, hands together`,
          both(f),
          Math.round(f.target * 0.8),
          2,
          'twice without a stop',
          'from memory is asked',
        ),
      ]
    : [];

const run: Rule = (f) =>
  inScope(f, 'section', 'piece')
    ? [
        one(
          'run',
          f.scope === 'piece' ? 'From beginning to end' : `Bars ${f.bars} from cold`,
          both(f),
          f.target,
          1,
          'first try of the day',
          'secure means from cold',
        ),
      ]
    : [];

const perform: Rule = (f) =>
  f.scope === 'piece' || (f.firstOfPiece && f.lastOfPiece && f.scope === 'section')
    ? [
        one(
          'perform',
          'For someone',
          both(f),
          f.target,
          1,
          'played to the end',
          'a first performance before the real one',
        ),
      ]
    : [];

/** The rules in the order of a ladder, lowest rung first; where dynamics belong is a setting. */
export function proposeRungs(f: RungFacts): ProposedRung[] {
  const early = f.teaching.dynamics === 'start' ? [touch, dynamics] : [];
  const late = f.teaching.dynamics === 'start' ? [] : [touch, dynamics];
  const rules = [
    posture,
    listen,
    warmUp,
    tap,
    block,
    hands,
    say,
    together,
    ...early,
    eyes,
    corners,
    joins,
    words,
    ornaments,
    tempo,
    ...late,
    partner,
    memory,
    run,
    perform,
  ];
  return rules.flatMap((rule) => rule(f));
}
