/** Hearing music: playing it, following it, how loud and how high. */
export { SoundChoices, useSoundChoices } from './sound-choices';
export { usePlaying, type PlayAccess } from './use-playing';
export { notesAlone, type NoteAlone } from './notes-alone';
