import { compare, fraction, meterQuarters, type Key, type Meter } from '../../score';
import type { Draft, DraftBar, DraftPart, DraftTempo } from '../draft';
import { soundsAt, transposition, type VoiceHead } from './voice-head';
import type { AbcBar, AbcVoice } from './voice';

/** Everything that was read of a tune. */
export interface Gathered {
  readonly title: string;
  readonly composer: string;
  readonly meter: Meter;
  readonly key: Key;
  readonly tempo: DraftTempo | null;
  readonly groups: string[][][];
  readonly heads: ReadonlyMap<string, VoiceHead>;
  readonly voices: ReadonlyMap<string, AbcVoice>;
  readonly ids: readonly string[];
}

function partsOf({ groups, heads }: Gathered): DraftPart[] {
  return groups.map((staves, p) => {
    const first = heads.get(staves[0]?.[0] ?? '');
    return {
      id: `P${p + 1}`,
      name: first?.name ?? '',
      sound: null,
      midiProgram: first?.program ?? null,
      transpose: transposition(first ? soundsAt(first) : 0),
      staves: staves.map((voiceIds) => ({
        clef: heads.get(voiceIds[0] ?? '')?.clef ?? { sign: 'G', line: 2, octaveChange: 0 },
      })),
    };
  });
}

/** The first thing that any voice says of a bar. */
function first<T>(bars: readonly AbcBar[], of: (b: AbcBar) => T | null): T | null {
  for (const bar of bars) {
    const said = of(bar);
    if (said !== null) return said;
  }
  return null;
}

/** The signs of a bar, said by any of its voices. */
const signsOf = (here: readonly AbcBar[]) => ({
  repeatStart: here.some((b) => b.repeatStart),
  segno: here.some((b) => b.segno),
  coda: here.some((b) => b.coda),
  toCoda: here.some((b) => b.toCoda),
  fine: here.some((b) => b.fine),
  jump: first(here, (b) => b.jump),
  lineBreak: here.some((b) => b.lineBreak),
  rehearsal: first(here, (b) => b.rehearsal),
});

/** A bar in which nothing stands and no meter holds. */
const EMPTY_BAR = fraction(4);

function barsOf(all: Gathered): DraftBar[] {
  const { groups, voices, ids } = all;
  const count = Math.max(...ids.map((id) => voices.get(id)?.bars.length ?? 0));
  const bars: DraftBar[] = [];
  let meter = all.meter;
  let printed = 0;
  let openEnding: readonly number[] | null = null;
  for (let i = 0; i < count; i += 1) {
    const here = ids.flatMap((id) => voices.get(id)?.bars[i] ?? []);
    const meterChange = first(here, (b) => b.meter);
    if (meterChange) meter = meterChange;
    const nominal = meterQuarters(meter);
    const quarters = here.reduce(
      (longest, b) => (compare(b.length, longest) > 0 ? b.length : longest),
      here[0]?.length ?? nominal,
    );
    const pickup = i === 0 && nominal.n > 0 && compare(quarters, nominal) < 0;
    if (!pickup) printed += 1;
    const endingStart: readonly number[] | null = first(here, (b) => b.endingStart);
    if (endingStart) openEnding = endingStart;
    const repeatEnd = first(here, (b) => b.repeatEnd);
    const doubleBar = first(here, (b) => b.doubleBar);
    const nextStarts = ids.some((id) => voices.get(id)?.bars[i + 1]?.endingStart != null);
    const closes: boolean =
      openEnding !== null && (repeatEnd !== null || doubleBar !== null || nextStarts || i === count - 1);
    bars.push({
      number: pickup ? '0' : String(printed),
      implicit: pickup,
      quarters: quarters.n > 0 ? quarters : nominal.n > 0 ? nominal : EMPTY_BAR,
      meter: i === 0 ? all.meter : meterChange,
      key: i === 0 ? all.key : first(here, (b) => b.key),
      tempo: first(here, (b) => b.tempo) ?? (i === 0 ? all.tempo : null),
      ...signsOf(here),
      repeatEnd,
      endingStart,
      endingStop: closes ? openEnding : null,
      doubleBar,
      content: groups.map((staves) =>
        staves.map((voiceIds) => voiceIds.map((id) => voices.get(id)?.bars[i]?.events ?? [])),
      ),
    });
    if (closes) openEnding = null;
  }
  return bars;
}

/** A tune as a draft. */
export const toDraft = (all: Gathered): Draft => ({
  title: all.title,
  composer: all.composer,
  parts: partsOf(all),
  bars: barsOf(all),
});
