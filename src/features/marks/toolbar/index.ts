export { MarksToolbar } from './marks-toolbar';
