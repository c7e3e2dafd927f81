import type { InstrumentFamily } from '@/core/instruments';
import type { LoudnessMark } from '@/core/performance';
import { SAYINGS, type Saying } from '@/core/saying';
import { tellingFor } from '@/core/sheet';
import { marksFor } from '@/core/studio';
import type { CellPlace } from '@/core/tapping';
import { midSentence } from '@/core/words';
import { namedBar } from './named-bar';
import type { RoomTask } from './room-task';
import { soundPlaces, taskOfPiece, type AboutTask } from './task-of-piece';
import { taskSound, type SoundedMusic, type SoundPlaces } from './task-sound';

/** What of a task has to be asked for. */
type Asked = 'saidTexts' | 'placeOf' | 'soundOf' | 'familyOf' | 'barName' | 'barLabel';

/** A task as plain data: everything the room would ask for is there already. */
export interface HomeStep extends Omit<RoomTask, Asked> {
  readonly said: ReadonlyMap<Saying, ReadonlyMap<string, string>>;
  readonly cells: ReadonlyMap<string, CellPlace>;
  readonly barNames: ReadonlyMap<number, string>;
  readonly families: ReadonlyMap<string, InstrumentFamily>;
  readonly marks: readonly LoudnessMark[];
  readonly places: SoundPlaces;
}

/** Marks that are heard. */
const isHeard = (mark: LoudnessMark): boolean => mark.kind === 'dynamic' || mark.kind === 'wedge';

/** Everything the room would ask about a task, asked at once; the range cannot be moved beyond some bars. */
export function homeStepOf(about: AboutTask, whole: readonly [number, number]): HomeStep {
  const task = taskOfPiece(about);
  const tell = tellingFor(about.student);
  const { saidTexts, placeOf, familyOf, barLabel, ...plain } = task;
  const { score, played } = about.context;
  const [from, to] = whole;
  const here = played.notes.filter((n) => n.bar >= from && n.bar <= to);
  const ids = new Set(here.map((n) => n.id));
  return {
    ...plain,
    what: tell(plain.what),
    done: midSentence(tell(plain.done)),
    whole,
    breaths: new Set([...plain.breaths].filter((id) => ids.has(id))),
    said: new Map(SAYINGS.filter((s) => plain.sayings.includes(s)).map((s) => [s, saidTexts(s)])),
    cells: new Map(
      here.flatMap(({ id }) => {
        const cell = placeOf(id);
        return cell ? [[id, cell] as const] : [];
      }),
    ),
    barNames: new Map(Array.from({ length: to - from + 1 }, (_, i) => [from + i, barLabel(from + i)] as const)),
    families: new Map(score.parts.map(({ id }) => [id, familyOf(id)] as const)),
    marks: marksFor(about.marks, about.student).filter((m) => isHeard(m) && 'noteId' in m && ids.has(m.noteId)),
    places: soundPlaces(about),
  };
}

/** The task of a step, and of the music that came with it. */
export function roomTaskOf(step: HomeStep, music: SoundedMusic): RoomTask {
  const { said, cells, barNames, families, marks, places, ...plain } = step;
  const barLabel = (bar: number): string => barNames.get(bar) ?? String(bar + 1);
  return {
    ...plain,
    saidTexts: (saying) => said.get(saying) ?? new Map(),
    placeOf: (id) => cells.get(id) ?? null,
    soundOf: (asked) => taskSound(music, marks, places, asked),
    familyOf: (part) => families.get(part) ?? 'fretted',
    barLabel,
    barName: (bar) => namedBar(barLabel(bar)),
  };
}
