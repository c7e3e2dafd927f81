/** The music of one voice in ABC text. */
export { voiceField } from './fields';
export { readMusicLine } from './music-line';
export { startVoice, type AbcVoice } from './voice';
export { clefNamed, transposition } from './voice-head';
export { alignWords } from './words';
