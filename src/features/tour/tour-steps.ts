import type { Stage, WhereChange } from '@/features/where';

/** A place of the demo studio, and what is to be seen there. */
export interface TourStep {
  readonly stage: Stage;
  readonly change: WhereChange;
  readonly title: string;
  readonly says: string;
}

const QUAY = { pieceId: 'demo-quay', bars: null } as const;
const IMKE = { studentId: 'demo-imke' } as const;

/** Two minutes through the demo studio, in the order of the work. */
export const TOUR_STEPS: readonly TourStep[] = [
  {
    stage: 'shelf',
    change: { pieceId: null, studentId: null },
    title: 'The shelf',
    says: 'Every piece, with who plays it. A file dropped here is read at once; a printed page can be laid out as bars.',
  },
  {
    stage: 'sections',
    change: { ...QUAY, studentId: null, sectionId: 'demo-quay-s1' },
    title: 'Sections',
    says: 'Where the piece divides and what comes again is found from the music. Arcs join what is the same. You take it, move it, or name it otherwise.',
  },
  {
    stage: 'marks',
    change: { ...QUAY, ...IMKE, sectionId: 'demo-quay-s1' },
    title: 'Marks',
    says: 'Fingers, counts, dynamics and chords are proposed in outline and say why. A digit sets a finger, Enter takes the others; yours are in the pencil colour.',
  },
  {
    stage: 'ladder',
    change: { ...QUAY, ...IMKE, sectionId: 'demo-quay-s2' },
    title: 'The way and the ladder',
    says: 'The chunks in the order they are learned, and for each a ladder of steps, climbed from the bottom. What is the same is drawn in, not learned twice.',
  },
  {
    stage: 'lesson',
    change: { ...QUAY, ...IMKE, sectionId: 'demo-quay-s2' },
    title: 'The lesson',
    says: 'What is due stands first. A digit is the level you heard, Enter records it and goes on. S shows only the music.',
  },
  {
    stage: 'lesson',
    change: { ...QUAY, ...IMKE, sectionId: null, view: 'week' },
    title: 'The week',
    says: 'At the end a week is proposed within the minutes there are, day by day. Change what you like and give it.',
  },
  {
    stage: 'board',
    change: { pieceId: null, studentId: null, sectionId: null },
    title: 'The board',
    says: 'All students at once: how far each is, and what is due for a check. From here you go to any lesson.',
  },
];
