import type { TimedMusic } from '@/core/performance';

/** A note to be heard by itself: MIDI key, seconds from the first, seconds long, loudness 0 to 1. */
export interface NoteAlone {
  readonly midi: number;
  readonly start: number;
  readonly seconds: number;
  readonly loud?: number;
}

/** A few notes that belong to no bar, such as an ornament or a chord. */
export function notesAlone(notes: readonly NoteAlone[]): TimedMusic {
  return {
    sounds: notes.map(({ midi, start, seconds, loud = 0.7 }) => ({
      at: start,
      seconds,
      midi,
      loud,
      noteId: '',
      part: '',
      staff: 1,
      bar: 0,
    })),
    clicks: [],
    bars: [],
    phases: [],
    before: 0,
    seconds: Math.max(0, ...notes.map((n) => n.start + n.seconds)),
  };
}
