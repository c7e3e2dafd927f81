export { NotePanel, type NoteInputs } from './note-panel';
