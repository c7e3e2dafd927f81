/** The stage Lesson. */
export { LessonScreen } from './lesson-screen';
