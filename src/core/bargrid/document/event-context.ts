/** What is carried from event to event of one voice. */
export interface Context {
  readonly divisions: number;
  readonly voice: number;
  readonly staff: number;
  readonly staves: number;
  /** Slur levels open in this voice, carried along. */
  readonly slurs: number[];
  readonly tiedIn: Map<string, true>;
  /** Gives the `id` attribute of the next note of a bar that has an id of its own; nothing for other bars. */
  readonly nextId: () => string;
}
