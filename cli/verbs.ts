import type { Result } from '../src/core/result';
import type { OptionShapes, OptionValues } from './options';
import { COUNT_SYSTEMS } from '../src/core/rhythm';
import { ORNAMENT_STYLES } from '../src/core/ornaments';
import { studioJsonSchema } from '../src/core/studio';
import { ok } from '../src/core/result';
import { COMPOUND, countVerb, UNEVEN } from './count-verb';
import { fingerVerb } from './finger-verb';
import { ladderVerb } from './ladder-verb';
import { breathsVerb, chordsVerb, dynamicsVerb, ornamentsVerb } from './marks-verbs';
import { pageVerb } from './page-verb';
import { FILE_OPTIONS, PLAYER_OPTIONS } from './player';
import { readVerb } from './read-verb';
import { sectionsVerb } from './sections-verb';
import { WAY_OPTIONS } from './way-request';
import { wayVerb } from './way-verb';
import { writeVerb } from './write-verb';

interface Verb {
  readonly options: OptionShapes;
  readonly takesFile: boolean;
  readonly run: (bytes: Uint8Array, file: string, options: OptionValues) => Result<unknown> | Promise<Result<unknown>>;
}

export const VERBS = {
  read: { options: FILE_OPTIONS, takesFile: true, run: readVerb },
  sections: { options: PLAYER_OPTIONS, takesFile: true, run: sectionsVerb },
  finger: {
    options: {
      ...PLAYER_OPTIONS,
      hand: { kind: 'choice', of: ['right', 'left', 'auto'] },
      span: { kind: 'number', min: 3, max: 24 },
    },
    takesFile: true,
    run: fingerVerb,
  },
  count: {
    options: {
      ...PLAYER_OPTIONS,
      system: { kind: 'choice', of: COUNT_SYSTEMS },
      compound: { kind: 'choice', of: COMPOUND },
      uneven: { kind: 'choice', of: UNEVEN },
      bars: { kind: 'text' },
    },
    takesFile: true,
    run: countVerb,
  },
  page: { options: { 'part-staves': { kind: 'number', min: 1, max: 40 } }, takesFile: true, run: pageVerb },
  chords: { options: PLAYER_OPTIONS, takesFile: true, run: chordsVerb },
  ornaments: {
    options: {
      ...PLAYER_OPTIONS,
      style: { kind: 'choice', of: ORNAMENT_STYLES },
      tempo: { kind: 'number', min: 10, max: 600 },
    },
    takesFile: true,
    run: ornamentsVerb,
  },
  breaths: {
    options: {
      ...PLAYER_OPTIONS,
      tempo: { kind: 'number', min: 10, max: 600 },
      span: { kind: 'number', min: 0.5, max: 120 },
    },
    takesFile: true,
    run: breathsVerb,
  },
  dynamics: { options: PLAYER_OPTIONS, takesFile: true, run: dynamicsVerb },
  ladder: { options: WAY_OPTIONS, takesFile: true, run: ladderVerb },
  way: {
    options: { ...WAY_OPTIONS, 'minutes-a-week': { kind: 'number', min: 1, max: 5000 } },
    takesFile: true,
    run: wayVerb,
  },
  write: {
    options: { ...FILE_OPTIONS, marks: { kind: 'text' }, out: { kind: 'text' } },
    takesFile: true,
    run: writeVerb,
  },
  sheet: {
    options: {
      ...PLAYER_OPTIONS,
      marks: { kind: 'text' },
      bars: { kind: 'text' },
      blank: { kind: 'flag' },
      out: { kind: 'text' },
    },
    takesFile: true,
    // What draws and plays is only loaded where it is asked for.
    run: async (bytes, file, options) => (await import('./sheet-verb')).sheetVerb(bytes, file, options),
  },
  schema: { options: {}, takesFile: false, run: () => ok(studioJsonSchema()) },
} as const satisfies Readonly<Record<string, Verb>>;

export type VerbName = keyof typeof VERBS;

export async function runVerb(
  verb: VerbName,
  bytes: Uint8Array,
  file: string,
  options: OptionValues,
): Promise<Result<unknown>> {
  const entry: Verb = VERBS[verb];
  return entry.run(bytes, file, options);
}
