import type { InstrumentId } from '@/core/instruments';
import { CUSTOMS_HOUSE } from './pieces/customs-house';
import { EARLY_BOAT } from './pieces/early-boat';
import { FERRY_ROUND } from './pieces/ferry-round';
import { GULL_STUDY } from './pieces/gull-study';
import { HARBOUR_LIGHTS } from './pieces/harbour-lights';
import { HARBOUR_WALL } from './pieces/harbour-wall';
import { HEATHER_STUDY } from './pieces/heather-study';
import { PEBBLE_STEPS } from './pieces/pebble-steps';
import { SIGNAL_FLAGS } from './pieces/signal-flags';
import { TWO_AT_THE_OARS } from './pieces/two-at-the-oars';

export interface DemoSection {
  readonly letter: string;
  readonly name: string;
  /** Bars, both included, from 0. */
  readonly from: number;
  readonly to: number;
  /** Index of the section it is a copy of. */
  readonly like?: number;
}

export interface DemoPiece {
  readonly id: string;
  readonly abc: string;
  readonly instrument: InstrumentId;
  readonly sections: readonly DemoSection[];
  readonly fingers: readonly (readonly [string, string])[];
  readonly cues: readonly (readonly [string, string])[];
}

/** One piece for each kind of work. */
export const DEMO_PIECES: readonly DemoPiece[] = [
  {
    id: 'demo-quay',
    abc: HARBOUR_LIGHTS,
    instrument: 'piano',
    sections: [
      { letter: 'A', name: 'First lamps', from: 0, to: 7 },
      { letter: 'B', name: 'Out on the water', from: 8, to: 15 },
      { letter: 'A′', name: 'Lamps again', from: 16, to: 23, like: 0 },
    ],
    fingers: [
      ['p1-b1-n1', '2'],
      ['p1-b1-n2', '3'],
      ['p1-b1-n3', '4'],
      ['p1-b1-n4', '5'],
      ['p1-b1-n5', '2'],
      ['p1-b1-n6', '5'],
      ['p1-b1-n7', '1'],
      ['p1-b1-n8', '2'],
      ['p1-b1-n9', '1'],
      ['p1-b2-n1', '4'],
      ['p1-b2-n2', '2'],
      ['p1-b2-n3', '1'],
    ],
    cues: [
      ['p1-b3-n1', 'look up before the lamp'],
      ['p1-b9-n1', 'a step brighter'],
    ],
  },
  {
    id: 'demo-gull',
    abc: GULL_STUDY,
    instrument: 'flute',
    sections: [
      { letter: 'A', name: 'Rising', from: 0, to: 7 },
      { letter: 'B', name: 'Gliding down', from: 8, to: 15 },
    ],
    fingers: [],
    cues: [['p1-b1-n1', 'breathe with the wave']],
  },
  {
    id: 'demo-pebble',
    abc: PEBBLE_STEPS,
    instrument: 'piano',
    sections: [
      { letter: 'A', name: 'Steps from C', from: 0, to: 3 },
      { letter: 'B', name: 'Steps from E', from: 4, to: 7 },
    ],
    fingers: [],
    cues: [['p1-b1-n1', 'one stone at a time']],
  },
  {
    id: 'demo-customs',
    abc: CUSTOMS_HOUSE,
    instrument: 'piano',
    sections: [
      { letter: 'A', name: 'The front door', from: 0, to: 7 },
      { letter: 'B', name: 'The side stairs', from: 8, to: 15 },
      { letter: 'C', name: 'The cellar', from: 16, to: 23 },
      { letter: 'A', name: 'The front door again', from: 24, to: 31, like: 0 },
      { letter: 'B′', name: 'The stairs at home', from: 32, to: 39, like: 1 },
    ],
    fingers: [],
    cues: [
      ['p1-b1-n1', 'bright as brass'],
      ['p1-b17-n1', 'down the cellar steps'],
    ],
  },
  {
    id: 'demo-heather',
    abc: HEATHER_STUDY,
    instrument: 'viola',
    sections: [
      { letter: 'A', name: 'Up the path', from: 0, to: 3 },
      { letter: 'A′', name: 'Up again, and home', from: 4, to: 7, like: 0 },
      { letter: 'B', name: 'The view', from: 8, to: 11 },
      { letter: 'A″', name: 'The last climb', from: 12, to: 15, like: 0 },
    ],
    fingers: [],
    cues: [['p1-b9-n1', 'less bow, more air']],
  },
  {
    id: 'demo-wall',
    abc: HARBOUR_WALL,
    instrument: 'cello',
    sections: [
      { letter: 'A', name: 'In the lee', from: 0, to: 7 },
      { letter: 'B', name: 'Round the point', from: 8, to: 15 },
    ],
    fingers: [],
    cues: [['p1-b11-n1', 'the arm goes before the finger']],
  },
  {
    id: 'demo-flags',
    abc: SIGNAL_FLAGS,
    instrument: 'trumpet',
    sections: [
      { letter: 'A', name: 'Hoist', from: 0, to: 7 },
      { letter: 'B', name: 'Answer', from: 8, to: 15 },
      { letter: 'C', name: 'All flags', from: 16, to: 23 },
    ],
    fingers: [],
    cues: [],
  },
  {
    id: 'demo-boat',
    abc: EARLY_BOAT,
    instrument: 'guitar',
    sections: [
      { letter: 'A', name: 'Verse, first half', from: 0, to: 3 },
      { letter: 'B', name: 'Verse, second half', from: 4, to: 7 },
    ],
    fingers: [],
    cues: [],
  },
  {
    id: 'demo-ferry',
    abc: FERRY_ROUND,
    instrument: 'recorder',
    sections: [
      { letter: 'A', name: 'Casting off', from: 0, to: 3 },
      { letter: 'B', name: 'Coming in', from: 4, to: 7 },
    ],
    fingers: [],
    cues: [],
  },
  {
    id: 'demo-oars',
    abc: TWO_AT_THE_OARS,
    instrument: 'piano',
    sections: [
      { letter: 'A', name: 'Pull', from: 0, to: 4 },
      { letter: 'B', name: 'And rest', from: 5, to: 9 },
    ],
    fingers: [],
    cues: [['p1-b1-n1', 'two oars, one stroke']],
  },
];
