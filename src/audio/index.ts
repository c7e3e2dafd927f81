/**
 * What is heard. In: timed music from the core, instruments, a level. Out: sound on the audio clock, handed over ahead
 * of time. Loaded only where something is played.
 */
export { fileOf, nearestRecorded, type PianoSource } from './piano';
export { VOICE_OF } from './voice';
export { playMusic, ringQuietly, type Playing, type PlayRequest } from './play-music';
