/** What is read, in the words of the studio: *bar* or *measure*, *quarter* or *crotchet* (decision 30). */
export { InWords } from './in-words';
export { say } from './spoken';
