import type { InstrumentId } from '@/core/instruments';
import type { Student } from '@/core/studio';

export interface DemoStudent {
  readonly id: string;
  readonly name: string;
  readonly instrument: InstrumentId;
  readonly age: string;
  readonly level: NonNullable<Student['level']>;
  readonly span: number | null;
  readonly breath: number | null;
  readonly minutes: readonly number[];
  readonly lesson: number;
  readonly teaching?: Student['teaching'];
  /** Levels gained in a week on an easy section. */
  readonly pace: number;
  /** Share of the planned practice that is done. */
  readonly diligence: number;
  /** Days ago of the last lesson, 1 to 7. */
  readonly lastLesson: number;
  /** Piece id and weeks ago it was begun. */
  readonly pieces: readonly (readonly [string, number])[];
}

/** Made-up students of a made-up harbour town. */
export const DEMO_STUDENTS: readonly DemoStudent[] = [
  {
    id: 'demo-imke',
    name: 'Imke',
    instrument: 'piano',
    age: '11',
    level: 'intermediate',
    span: 12,
    breath: null,
    minutes: [20, 20, 15, 20, 20, 0, 10],
    lesson: 30,
    pace: 0.55,
    diligence: 0.8,
    lastLesson: 7,
    pieces: [
      ['demo-quay', 10],
      ['demo-oars', 5],
      ['demo-pebble', 20],
    ],
  },
  {
    id: 'demo-teodor',
    name: 'Teodor',
    instrument: 'piano',
    age: '14',
    level: 'advanced',
    span: 15,
    breath: null,
    minutes: [40, 40, 30, 40, 40, 30, 0],
    lesson: 45,
    teaching: { memory: 'asked', fingers: 'none' },
    pace: 0.5,
    diligence: 0.9,
    lastLesson: 6,
    pieces: [
      ['demo-customs', 14],
      ['demo-quay', 22],
    ],
  },
  {
    id: 'demo-wren',
    name: 'Wren',
    instrument: 'piano',
    age: '7',
    level: 'beginner',
    span: 8,
    breath: null,
    minutes: [10, 10, 10, 10, 10, 0, 0],
    lesson: 30,
    teaching: { counting: 'unit', fingers: 'every' },
    pace: 0.45,
    diligence: 0.7,
    lastLesson: 7,
    pieces: [
      ['demo-pebble', 9],
      ['demo-oars', 3],
    ],
  },
  {
    id: 'demo-lale',
    name: 'Lale',
    instrument: 'piano',
    age: '9',
    level: 'beginner',
    span: 9,
    breath: null,
    minutes: [15, 15, 15, 15, 15, 15, 15],
    lesson: 30,
    pace: 0.35,
    diligence: 0.5,
    lastLesson: 3,
    pieces: [
      ['demo-oars', 8],
      ['demo-pebble', 18],
      ['demo-quay', 4],
    ],
  },
  {
    id: 'demo-adaeze',
    name: 'Adaeze',
    instrument: 'viola',
    age: 'adult',
    level: 'intermediate',
    span: null,
    breath: null,
    minutes: [30, 0, 30, 0, 30, 30, 0],
    lesson: 45,
    pace: 0.4,
    diligence: 0.75,
    lastLesson: 5,
    pieces: [['demo-heather', 12]],
  },
  {
    id: 'demo-bram',
    name: 'Bram',
    instrument: 'cello',
    age: '10',
    level: 'beginner',
    span: null,
    breath: null,
    minutes: [15, 15, 15, 15, 15, 0, 0],
    lesson: 30,
    pace: 0.35,
    diligence: 0.65,
    lastLesson: 4,
    pieces: [['demo-wall', 11]],
  },
  {
    id: 'demo-oskar',
    name: 'Oskar',
    instrument: 'flute',
    age: '13',
    level: 'intermediate',
    span: null,
    breath: 8,
    minutes: [20, 20, 20, 20, 20, 20, 0],
    lesson: 30,
    pace: 0.45,
    diligence: 0.7,
    lastLesson: 2,
    pieces: [['demo-gull', 12]],
  },
  {
    id: 'demo-sunniva',
    name: 'Sunniva',
    instrument: 'trumpet',
    age: '13',
    level: 'intermediate',
    span: null,
    breath: 7,
    minutes: [20, 20, 0, 20, 20, 0, 0],
    lesson: 30,
    pace: 0.6,
    diligence: 0.85,
    lastLesson: 6,
    pieces: [['demo-flags', 9]],
  },
  {
    id: 'demo-jonah',
    name: 'Jonah',
    instrument: 'guitar',
    age: '12',
    level: 'beginner',
    span: null,
    breath: null,
    minutes: [15, 0, 15, 0, 15, 20, 20],
    lesson: 30,
    teaching: { reading: 'rote' },
    pace: 0.45,
    diligence: 0.6,
    lastLesson: 1,
    pieces: [['demo-boat', 8]],
  },
  {
    id: 'demo-mirela',
    name: 'Mirela',
    instrument: 'recorder',
    age: '9',
    level: 'beginner',
    span: null,
    breath: 5,
    minutes: [10, 10, 10, 10, 10, 0, 0],
    lesson: 20,
    pace: 0.4,
    diligence: 0.6,
    lastLesson: 7,
    pieces: [['demo-ferry', 7]],
  },
];
