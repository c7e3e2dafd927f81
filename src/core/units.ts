/**
 * Units used across the core, as branded numbers so that ticks are never added to seconds by mistake.
 * A brand costs nothing at run time: the values are plain numbers.
 */
declare const unit: unique symbol;
type Unit<Name extends string> = number & { readonly [unit]: Name };

/** Exact score time: whole ticks; `Score.ticksPerQuarter` says how many make a quarter note. */
export type Ticks = Unit<'ticks'>;
/** Playback time. */
export type Seconds = Unit<'seconds'>;
/** Quarter notes a minute, whatever note the printed mark counts. */
export type QuarterBpm = Unit<'quarterBpm'>;
/** MIDI key number, 60 is middle C; sounding, that is after transposition. */
export type MidiKey = Unit<'midiKey'>;
/** Index of a bar in the order written, from 0. Not the printed number. */
export type BarIndex = Unit<'barIndex'>;

export const ticks = (value: number): Ticks => value as Ticks;
export const seconds = (value: number): Seconds => value as Seconds;
export const quarterBpm = (value: number): QuarterBpm => value as QuarterBpm;
export const midiKey = (value: number): MidiKey => value as MidiKey;
export const barIndex = (value: number): BarIndex => value as BarIndex;
