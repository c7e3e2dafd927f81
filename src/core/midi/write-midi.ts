import { writeMidi, type MidiEvent } from 'midi-file';
import { barsInOrder, clicksUnder, countIn, perform, type Click } from '../performance';
import type { Score } from '../score';
import { quarterBpm } from '../units';

export interface MidiRequest {
  /** Bars, both included. */
  readonly from: number;
  readonly to: number;
  /** Quarters a minute; null keeps the tempo marks. */
  readonly tempo: number | null;
  /** Play the repeats and jumps that lie inside the range. */
  readonly repeats: boolean;
  /** Staves that sound, as `part staff`; null for all. */
  readonly staves: ReadonlySet<string> | null;
  /** One bar of clicks in front (and what a pick-up lacks). */
  readonly countIn: boolean;
  /** Clicks all through. */
  readonly click: boolean;
}

/**
 * Wood blocks of the General MIDI percussion map (MIDI Manufacturers Association, General MIDI System Level 1, table
 * 3): 76 high, 77 low.
 */
const CLICK = { high: 76, low: 77, channel: 9 } as const;
/** The Standard MIDI File holds 15 bits of ticks a quarter. */
const MOST_TICKS = 32_767;

interface Timed {
  readonly at: number;
  readonly event: MidiEvent;
}

/** Absolute times to the deltas of a track; ends at `end`. Note-offs come before note-ons of the same moment. */
function track(events: readonly Timed[], end: number): MidiEvent[] {
  const rank = (e: MidiEvent): number => (e.type === 'noteOff' ? 1 : e.type === 'noteOn' ? 2 : 0);
  let before = 0;
  const out = [...events]
    .sort((a, b) => a.at - b.at || rank(a.event) - rank(b.event))
    .map(({ at, event }) => {
      const deltaTime = at - before;
      before = at;
      return { ...event, deltaTime };
    });
  return [...out, { deltaTime: Math.max(0, end - before), meta: true, type: 'endOfTrack' }];
}

type Played = ReturnType<typeof perform>;
type ToMidiTicks = (ticks: number) => number;

const named = (text: string): Timed => ({ at: 0, event: { deltaTime: 0, meta: true, type: 'trackName', text } });

/** Title, meters and tempos; `at` gives MIDI ticks of the playing. */
function conductorEvents(score: Score, played: Played, at: ToMidiTicks): Timed[] {
  const events: Timed[] = [named(score.title)];
  let meterBefore = '';
  played.bars.forEach(({ bar, start }, i) => {
    const part = bar.meter.parts[0];
    const numerator = bar.meter.parts.reduce(
      (sum, p) => sum + p.groups.reduce((a, b) => a + b, 0) * ((part?.unit ?? 4) / p.unit),
      0,
    );
    const text = `${numerator}/${part?.unit ?? 4}`;
    if (!part || text === meterBefore || !Number.isInteger(numerator)) return;
    meterBefore = text;
    events.push({
      at: i === 0 ? 0 : at(start),
      event: {
        deltaTime: 0,
        meta: true,
        type: 'timeSignature',
        numerator,
        denominator: part.unit,
        metronome: 24,
        thirtyseconds: 8,
      },
    });
  });
  for (const [i, t] of played.tempos.entries())
    events.push({
      at: i === 0 ? 0 : at(t.start),
      event: { deltaTime: 0, meta: true, type: 'setTempo', microsecondsPerBeat: Math.round(60_000_000 / t.bpm) },
    });
  return events;
}

/** The channel after one: all but that of the drums. */
const nextChannel = (channel: number): number => (channel === 8 ? 10 : (channel + 1) % 16);

/** One list of events for each staff that sounds. */
function staffTracks(score: Score, played: Played, at: ToMidiTicks): Timed[][] {
  const tracks: Timed[][] = [];
  let next = 0;
  for (const part of score.parts)
    for (let staff = 1; staff <= part.staves; staff += 1) {
      const mine = played.notes.filter((n) => n.part === part.id && n.staff === staff);
      if (mine.length === 0) continue;
      const channel = next;
      next = nextChannel(channel);
      const program: Timed[] =
        part.midiProgram === null
          ? []
          : [{ at: 0, event: { deltaTime: 0, type: 'programChange', channel, programNumber: part.midiProgram } }];
      const notes = mine.flatMap((n): Timed[] => [
        {
          at: at(n.start),
          event: { deltaTime: 0, type: 'noteOn', channel, noteNumber: n.midi, velocity: n.velocity },
        },
        {
          at: at(n.start + n.length),
          event: { deltaTime: 0, type: 'noteOff', channel, noteNumber: n.midi, velocity: 0 },
        },
      ]);
      tracks.push([named(part.staves > 1 ? `${part.name} ${staff}` : part.name), ...program, ...notes]);
    }
  return tracks;
}

/** A click, in ticks of the playing: those of the count-in lie before 0. */
function clickEvents({ at, strength }: Click, ticksPerQuarter: number, scale: ToMidiTicks): Timed[] {
  const isStrong = strength === 'strong';
  const noteNumber = isStrong ? CLICK.high : CLICK.low;
  const { channel } = CLICK;
  return [
    { at: scale(at), event: { deltaTime: 0, type: 'noteOn', channel, noteNumber, velocity: isStrong ? 110 : 80 } },
    { at: scale(at + ticksPerQuarter / 8), event: { deltaTime: 0, type: 'noteOff', channel, noteNumber, velocity: 0 } },
  ];
}

/**
 * A Standard MIDI File (format 1) of bars of a score: first the tempo track, then one track a staff, then the clicks.
 * Ranges are clamped to the piece.
 *
 * @example
 * String.fromCharCode(...scoreToMidi(score, { from: 0, to: 0, tempo: 60, repeats: false, staves: null,
 *   countIn: false, click: false }).slice(0, 4)) // → 'MThd'
 */
export function scoreToMidi(score: Score, request: MidiRequest): Uint8Array {
  const last = score.bars.length - 1;
  const from = Math.max(0, Math.min(request.from, last));
  const to = Math.max(from, Math.min(request.to, last));
  const order = barsInOrder(score, from, to, request.repeats);
  const { staves } = request;
  const played = perform(score, {
    order,
    ...(request.tempo === null ? {} : { tempo: quarterBpm(request.tempo) }),
    ...(staves === null ? {} : { sounds: (part: string, staff: number) => staves.has(`${part} ${staff}`) }),
  });
  const coarse = Math.max(1, Math.ceil(score.ticksPerQuarter / MOST_TICKS));
  const perQuarter = Math.round(score.ticksPerQuarter / coarse);
  const scale = (t: number): number => Math.round((t * perQuarter) / score.ticksPerQuarter);
  const first = score.bars[from];
  const counted = request.countIn && first ? countIn(score, first, 1) : [];
  const offset = -(counted[0]?.at ?? 0);
  const end = scale(offset + played.length);

  const inTicks = (t: number): number => scale(offset + t);
  const tracks: MidiEvent[][] = [
    track(conductorEvents(score, played, inTicks), end),
    ...staffTracks(score, played, inTicks).map((events) => track(events, end)),
  ];
  const under = request.click ? clicksUnder(score, played.bars, { pattern: 'beats', parts: 1, seed: 0 }) : [];
  const clicks = [...counted, ...under].flatMap((click) => clickEvents(click, score.ticksPerQuarter, inTicks));
  if (clicks.length > 0) tracks.push(track([named('Click'), ...clicks], end));
  return Uint8Array.from(
    writeMidi({ header: { format: 1, numTracks: tracks.length, ticksPerBeat: perQuarter }, tracks }),
  );
}
