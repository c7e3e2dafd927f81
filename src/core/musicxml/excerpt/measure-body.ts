import { computeBeams, FLAGS } from '../beams';
import { meterQuarters, type AttributeChange, type Score } from '../../score';
import { child, childrenNamed, type XmlElement } from '../xml-tree';
import { changeXml } from './attributes-xml';
import { copy } from './copied-elements';
import { directionXml } from './direction-xml';
import type { OpenTies } from './open-ties';
import type { ExcerptSlurs } from './paired-slurs';
import { isWithoutPlace, noteXml, type Beam, type NoteContext, type Timed } from './note-xml';
import { valueOfLength } from './value-of-length';

export interface BodyContext {
  readonly score: Score;
  readonly part: Score['parts'][number];
  readonly b: number;
  readonly from: number;
  readonly bar: Score['bars'][number];
  readonly byPlace: ReadonlyMap<string, Timed>;
  readonly slurs: ExcerptSlurs;
  readonly ties: OpenTies;
  readonly staves: number;
  readonly onlyStaff: number | null;
  readonly withoutFingerings: boolean;
  /** The notes are those of another bar, under a bar-repeat sign: its marks and changes are not drawn again. */
  readonly filled: boolean;
  /** Stands at the end of the bar: what would go on behind it. */
  readonly closing: string;
}

/** Onset of the next note written after place `i`, unless a backup or forward comes first. */
function nextOnset(
  tree: XmlElement,
  i: number,
  timedOf: (sourceIndex: number) => Timed | undefined,
  sourceIndex: number,
): number | null {
  for (let k = i + 1; k < tree.children.length; k += 1) {
    const name = tree.children[k]?.name;
    if (name === 'note') return timedOf(sourceIndex)?.onset ?? null;
    if (name === 'backup' || name === 'forward') return null;
  }
  return null;
}

function beamsOfBar(
  tree: XmlElement,
  context: BodyContext,
  timedOf: (sourceIndex: number) => Timed | undefined,
): ReadonlyMap<string, 'begin' | 'continue' | 'end'> {
  const voices = new Map<string, Timed[]>();
  childrenNamed(tree, 'note').forEach((_, k) => {
    const event = timedOf(k);
    if (!event || (event.kind === 'note' && (event.chord || event.grace !== null))) return;
    voices.set(event.voice, [...(voices.get(event.voice) ?? []), event]);
  });
  const all = new Map<string, 'begin' | 'continue' | 'end'>();
  // A pick-up is beamed as the end of a full bar.
  const nominal = meterQuarters(context.bar.meter);
  const nominalTicks = (nominal.n * context.score.ticksPerQuarter) / nominal.d;
  const shift = context.b === 0 && context.bar.length < nominalTicks ? nominalTicks - context.bar.length : 0;
  for (const events of voices.values()) {
    const beamable = events.map((e) => ({
      id: e.id,
      onset: e.onset - context.bar.onset + shift,
      duration: e.duration,
      flags:
        e.kind === 'rest'
          ? 0
          : (FLAGS[e.value ?? valueOfLength(e.duration, context.score.ticksPerQuarter)?.value ?? ''] ?? 0),
    }));
    for (const [id, beam] of computeBeams(beamable, context.bar.meter, context.score.ticksPerQuarter))
      all.set(id, beam);
  }
  return all;
}

/** A change of key, meter or clef, for one staff where only that is shown. */
function attributesBody(change: AttributeChange, onlyStaff: number | null): string {
  if (onlyStaff === null) return changeXml(change);
  const clefs = (change.clefs ?? []).filter((c) => c.staff === onlyStaff).map((c) => ({ ...c, staff: 1 }));
  return changeXml({ ...change, clefs });
}

/** A bar that fills itself. */
export const emptyBar = (length: number): string =>
  `<note><rest measure="yes"/><duration>${length}</duration><voice>1</voice></note>`;

/** Writes the elements of one bar one after the other, going forward and back in time as they need it. */
class BodyWriter {
  private readonly out: string[] = [];
  private cursor = 0;
  private sourceIndex = 0;
  private attributesIndex = 0;
  /** Where a direction without a note behind it stands: at the end of the last note. */
  private wanted = 0;
  private wrote = false;
  private readonly changes: readonly AttributeChange[];
  private readonly notes: NoteContext;

  constructor(
    private readonly tree: XmlElement,
    private readonly context: BodyContext,
  ) {
    const { part, b } = context;
    this.changes = part.attributes.filter((a) => a.bar === b);
    this.notes = {
      score: context.score,
      slurs: context.slurs,
      ties: context.ties,
      beams: part.hasBeams ? new Map<string, Beam>() : beamsOfBar(tree, context, (i) => this.timedOf(i)),
      staves: part.staves,
      onlyStaff: context.onlyStaff,
      withoutFingerings: context.withoutFingerings,
      copyBeams: part.hasBeams,
    };
  }

  write(): string {
    this.tree.children.forEach((element, i) => {
      if (!this.context.filled || element.name === 'note') this.writeElement(element, i);
    });
    if (!this.wrote) {
      this.moveTo(0);
      this.out.push(emptyBar(this.context.bar.length));
      this.cursor = this.context.bar.length;
    }
    if (this.context.closing !== '') {
      this.moveTo(this.context.bar.length);
      this.out.push(this.context.closing);
    }
    return this.out.join('');
  }

  private writeElement(element: XmlElement, i: number): void {
    switch (element.name) {
      case 'note':
        this.writeNote(element);
        return;
      case 'attributes':
        this.writeAttributes();
        return;
      case 'direction':
        this.writeDirection(element, i);
        return;
      case 'harmony':
        this.moveTo(Math.max(0, Math.min(this.context.bar.length, this.besideNext(i) + this.offsetOf(element))));
        if (child(element, 'root'))
          this.out.push(`<harmony>${element.children.map((c) => copy(c)).join('')}</harmony>`);
        return;
      default:
        return;
    }
  }

  private writeNote(element: XmlElement): void {
    const { bar, onlyStaff } = this.context;
    const event = this.timedOf(this.sourceIndex);
    this.sourceIndex += 1;
    if (!event || (onlyStaff !== null && event.staff !== onlyStaff)) return;
    const isGrace = event.kind === 'note' && event.grace !== null;
    const movesOn = !(event.kind === 'note' && event.chord) || isWithoutPlace(element, event);
    if (movesOn) this.moveTo(event.onset - bar.onset);
    this.out.push(noteXml(element, event, this.notes));
    this.wrote = true;
    if (!isGrace && movesOn) this.cursor += event.duration;
    this.wanted = isGrace ? this.cursor : event.onset - bar.onset + event.duration;
  }

  private writeAttributes(): void {
    const { b, from, bar, onlyStaff } = this.context;
    const change = this.changes[this.attributesIndex];
    this.attributesIndex += 1;
    if (!change || (b === from && change.onset === bar.onset)) return;
    const xml = attributesBody(change, onlyStaff);
    if (xml === '') return;
    this.moveTo(change.onset - bar.onset);
    this.out.push(xml);
  }

  private writeDirection(element: XmlElement, i: number): void {
    const { onlyStaff } = this.context;
    const xml = directionXml(element, onlyStaff);
    const staff = Number(child(element, 'staff')?.text ?? '1');
    if (xml === '' || (onlyStaff !== null && staff !== onlyStaff)) return;
    const at = this.besideNext(i) + this.offsetOf(element);
    this.moveTo(Math.max(0, Math.min(this.context.bar.length, at)));
    this.out.push(xml);
  }

  /** How far from where it is written something stands, in ticks. */
  private offsetOf(element: XmlElement): number {
    const { part, b, score } = this.context;
    const said = Number(child(element, 'offset')?.text ?? '0');
    const divisions = Number(part.attributes.filter((a) => a.divisions !== undefined && a.bar <= b).pop()?.divisions);
    return Number.isFinite(said) && divisions > 0 ? Math.round((said / divisions) * score.ticksPerQuarter) : 0;
  }

  /** Where something between the notes stands: with the next note, else behind the last. */
  private besideNext(i: number): number {
    const { bar } = this.context;
    const next = nextOnset(this.tree, i, (k) => this.timedOf(k), this.sourceIndex);
    return next === null ? Math.min(this.wanted, bar.length) : next - bar.onset;
  }

  private timedOf(sourceIndex: number): Timed | undefined {
    return this.context.byPlace.get(`${this.context.part.id} ${this.context.b} ${sourceIndex}`);
  }

  private moveTo(wanted: number): void {
    if (wanted < this.cursor) this.out.push(`<backup><duration>${this.cursor - wanted}</duration></backup>`);
    else if (wanted > this.cursor) this.out.push(`<forward><duration>${wanted - this.cursor}</duration></forward>`);
    this.cursor = wanted;
  }
}

/** The notes of one bar of one part, with what stands between them. */
export const measureBody = (tree: XmlElement, context: BodyContext): string => new BodyWriter(tree, context).write();
