/**
 * The practice room: one thing to practise, its sound, counting how often it is right, tapping. It is given its task, a
 * player and a recorder, and knows nothing of where they come from.
 */
export { Room } from './room';
export {
  NO_WORK,
  type Heard,
  type Loop,
  type Range,
  type Recorder,
  type RoomKey,
  type RoomKeys,
  type RoomMusicView,
  type RoomPlayer,
  type RoomSum,
  type RoomTask,
  type RoomWork,
  type SoundAsked,
  type Way,
} from './room-task';
export { homeStepOf, roomTaskOf, type HomeStep } from './home-step';
export { familyIn } from './task-sound';
export type { TaskContext } from './task-context';
export { taskOfPiece, type AboutTask, type RungOfTask } from './task-of-piece';
export { usePlayer, type Loudspeaker } from './use-player';
