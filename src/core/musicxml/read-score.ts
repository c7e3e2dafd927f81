/**
 * A MusicXML document (score-partwise or score-timewise, 3.0 to 4.0) to the exact-time score, together with the
 * character range of every bar of every part, so that writing can splice into the source.
 */
import { fail, ok, type Result } from '../result';
import type { Score, ScoreWarning } from '../score';
import { assembleScore, fillBarRepeats } from './assemble';
import type { BarHead, GrowingPart, WarnOf } from './growing-part';
import { noHeader, readHeader, readPartList, type PartHead } from './header';
import { LIMITS } from './limits';
import { readMeasure, startState } from './measure';
import { walkXml, type XmlCode, type XmlElement } from './xml-tree';

export type ReadCode =
  | XmlCode
  | 'wrong-root'
  | 'no-parts'
  | 'no-bars'
  | 'too-many-bars'
  | 'too-many-notes'
  | 'too-many-parts'
  | 'too-large'
  | 'empty-file';

/** Character ranges `[start, end]` in the source text per part and bar; a bar missing in a part has none. */
export type SourceRanges = readonly (readonly (readonly [number, number] | null)[])[];

export interface ReadScore {
  readonly score: Score;
  readonly layout: 'partwise' | 'timewise';
  readonly ranges: SourceRanges;
  /** Bars that a bar-repeat sign fills: `partIndex bar` → the bar whose notes sound there. */
  readonly filledFrom: ReadonlyMap<string, number>;
  /** Character range of `<identification>`, where it exists, for notes about the whole file. */
  readonly identification: readonly [number, number] | null;
  /** Where an identification would go: before defaults, credits and the part list. */
  readonly headerEnd: number;
  /** Our own remembered marks from an earlier export, by field name. */
  readonly miscellaneous: Readonly<Record<string, string>>;
}

class Refuse extends Error {
  constructor(
    readonly code: ReadCode,
    message: string,
  ) {
    super(message);
  }
}

type Attributes = Readonly<Record<string, string>>;

const HEADER_ELEMENTS = [
  'work',
  'movement-number',
  'movement-title',
  'identification',
  'defaults',
  'credit',
  'part-list',
];
/** An identification goes before these. */
const AFTER_IDENTIFICATION = ['defaults', 'credit', 'part-list'];

/** Warnings as they come, up to a limit; the rest is counted. */
function warningList(): { readonly list: ScoreWarning[]; readonly warn: WarnOf; readonly end: () => void } {
  const list: ScoreWarning[] = [];
  let suppressed = 0;
  return {
    list,
    warn: (code, message, bar, number, part) => {
      if (list.length < LIMITS.warnings) list.push({ code, bar, number, part, message });
      else suppressed += 1;
    },
    end: () => {
      if (suppressed > 0)
        list.push({
          code: 'more-warnings',
          bar: null,
          number: null,
          part: null,
          message: `${suppressed} more warnings are not listed`,
        });
    },
  };
}

/** Reads a document element by element, so that it is never in memory as a tree. Throws `Refuse` at a limit. */
class DocumentReader {
  readonly header = noHeader();
  partHeads: ReadonlyMap<string, PartHead> = new Map();
  readonly parts = new Map<string, GrowingPart>();
  readonly bars: BarHead[] = [];
  layout: 'partwise' | 'timewise' | null = null;
  /** In a score without a header, what belongs to one goes right after the root begins. */
  afterRoot = 0;
  private currentPart = '';
  private currentBar = -1;
  private noteCount = 0;
  private attributesOfTwo: Attributes = {};

  constructor(
    private readonly file: string,
    private readonly warn: WarnOf,
  ) {}

  /** Whether an element is wanted as a tree. */
  wants(path: readonly string[], attributes: Attributes, after: number): boolean {
    if (path.length === 1) return this.beginRoot(path[0] ?? '', after);
    if (path.length === 2) return this.beginInRoot(path[1] ?? '', attributes);
    const [, outer, inner] = path;
    return (
      path.length === 3 && ((outer === 'part' && inner === 'measure') || (outer === 'measure' && inner === 'part'))
    );
  }

  /** A wanted element, whole. */
  tree(element: XmlElement, path: readonly string[]): void {
    if (path.length === 2) this.readInHeader(element);
    else this.readBar(element);
  }

  private beginRoot(root: string, after: number): false {
    if (root !== 'score-partwise' && root !== 'score-timewise')
      throw new Refuse(
        'wrong-root',
        `${this.file} is XML, but not a MusicXML score: it begins with <${root.slice(0, 40)}>. MusicXML files (.musicxml, .xml, .mxl) are read.`,
      );
    this.layout = root === 'score-partwise' ? 'partwise' : 'timewise';
    this.afterRoot = after;
    return false;
  }

  private beginInRoot(name: string, attributes: Attributes): boolean {
    this.attributesOfTwo = attributes;
    if (name === 'part' && this.layout === 'partwise') {
      const id = attributes['id'] ?? `P${this.parts.size + 1}`;
      if (this.parts.has(id))
        this.warn('part-twice', `the part ${id} appears twice; its bars are read one after the other`, null, null, id);
      this.currentPart = id;
      this.partOf(id);
      return false;
    }
    if (name === 'measure' && this.layout === 'timewise') {
      this.currentBar += 1;
      this.startBar(this.currentBar, attributes);
      return false;
    }
    return HEADER_ELEMENTS.includes(name);
  }

  private readInHeader(element: XmlElement): void {
    if (AFTER_IDENTIFICATION.includes(element.name)) this.header.headerEnd ??= element.start;
    else this.afterRoot = element.end;
    if (element.name === 'part-list') this.partHeads = readPartList(element);
    else readHeader(element, this.header);
  }

  private readBar(element: XmlElement): void {
    const partwise = this.layout === 'partwise';
    const part = this.partOf(partwise ? this.currentPart : (element.attributes['id'] ?? 'P1'));
    const index = partwise ? part.measures.length : this.currentBar;
    this.startBar(index, partwise ? element.attributes : this.attributesOfTwo);
    while (part.measures.length < index) {
      part.measures.push(null);
      part.ranges.push(null);
    }
    const number = this.bars[index]?.number ?? String(index + 1);
    const measure = readMeasure(element, part.state, (code, message) =>
      this.warn(code, `bar ${number}, part ${part.id}: ${message}`, index, number, part.id),
    );
    this.noteCount += measure.events.length;
    if (this.noteCount > LIMITS.notes)
      throw new Refuse(
        'too-many-notes',
        `${this.file} has more than ${LIMITS.notes.toLocaleString('en')} notes; split it into movements.`,
      );
    if (part.measures.length === index) {
      part.measures.push(measure);
      part.ranges.push([element.start, element.end]);
    }
  }

  private partOf(id: string): GrowingPart {
    const known = this.parts.get(id);
    if (known) return known;
    if (this.parts.size >= LIMITS.parts)
      throw new Refuse('too-many-parts', `${this.file} has more than ${LIMITS.parts} parts.`);
    const fresh: GrowingPart = { id, state: startState(this.partHeads.get(id)?.unpitched), measures: [], ranges: [] };
    this.parts.set(id, fresh);
    return fresh;
  }

  private startBar(index: number, attributes: Attributes): void {
    if (index >= LIMITS.bars)
      throw new Refuse(
        'too-many-bars',
        `${this.file} has more than ${LIMITS.bars.toLocaleString('en')} bars; split it into movements.`,
      );
    this.bars[index] ??= {
      number: attributes['number'] ?? String(index + 1),
      writtenId: attributes['id'] ?? null,
      implicit: attributes['implicit'] === 'yes',
    };
  }
}

/** Walks the document with a reader; a limit that is passed, and XML that is broken, come back as a refusal. */
function walkDocument(text: string, file: string, reader: DocumentReader, warn: WarnOf): Result<unknown, ReadCode> {
  try {
    return walkXml(
      text,
      {
        wants: (path, attributes, after) => reader.wants(path, attributes, after),
        tree: (element, path) => reader.tree(element, path),
        entity: (message) =>
          warn(
            'unknown-entity',
            `an entity that is not part of XML is left as text (${message.slice(0, 60)})`,
            null,
            null,
            null,
          ),
      },
      file,
    );
  } catch (error) {
    if (error instanceof Refuse) return fail(error.code, error.message, { file });
    throw error;
  }
}

/**
 * Reads the text of a document. `file` is used in messages only.
 *
 * @example readScore('<html/>', 'page.xml').issue.code // → 'wrong-root'
 */
export function readScore(text: string, file: string): Result<ReadScore, ReadCode> {
  if (text.length > LIMITS.textLength)
    return fail('too-large', `${file} holds more than 48 million characters; export the movements as single files.`, {
      file,
    });
  const warnings = warningList();
  const { warn } = warnings;
  const reader = new DocumentReader(file, warn);
  const walked = walkDocument(text, file, reader, warn);
  if (!walked.ok) return walked;
  const { layout, header, partHeads, bars } = reader;
  const parts = [...reader.parts.values()];
  const nothing = (what: string): string => `${file} is MusicXML, but it holds no ${what}. Export the piece again.`;
  if (layout === null) return fail('empty-file', `${file} holds no score.`, { file });
  if (parts.length === 0) return fail('no-parts', nothing('part'), { file });
  if (bars.length === 0) return fail('no-bars', nothing('bars'), { file });
  const filledFrom = fillBarRepeats(parts);
  const score = assembleScore({ header, parts, partHeads, bars, warnings: warnings.list, warn });
  warnings.end();
  return ok({
    score,
    layout,
    ranges: parts.map((p) => p.ranges),
    filledFrom,
    identification: header.identification,
    headerEnd: header.headerEnd ?? reader.afterRoot,
    miscellaneous: header.miscellaneous,
  });
}
