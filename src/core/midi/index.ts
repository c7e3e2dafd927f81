/** MIDI files. In: bytes, or a score and a range. Out: a draft piece (rough), or bytes of a Standard MIDI File. */
export { midiToDraft } from './read-midi';
export { scoreToMidi, type MidiRequest } from './write-midi';
