/** Everything that passes between the page and its workers. */
import type { Gesture, OwnCues, PlayerFamily } from '@/core/articulation';
import type { Grid } from '@/core/bargrid';
import type { BarDifficulty, DifficultyOptions } from '@/core/difficulty';
import type { BreathPlan, Bowing, PhraseSign } from '@/core/breath';
import type { SuggestedDynamic } from '@/core/dynamics';
import type { Fingering, FingeringRequest } from '@/core/fingering';
import type { Harmony } from '@/core/harmony';
import type { LadderChunk, OrderRequest } from '@/core/ladder';
import type { MidiRequest } from '@/core/midi';
import type { OrnamentStyle, RealisedOrnament } from '@/core/ornaments';
import type { ExcerptRequest, WrittenDocument, WrittenMark } from '@/core/musicxml';
import type { Result } from '@/core/result';
import type { PayOffStep, RhythmFamily, Sameness } from '@/core/sameness';
import type { ProposedSection } from '@/core/sections';
import type { EditionMatch, Note, Score, ScoreWarning } from '@/core/score';
import type { PieceFormat } from '@/core/studio';
import type { Encoding } from '@/core/musicxml';

export interface OpenedFile {
  readonly format: PieceFormat;
  readonly text: string;
  readonly encoding: Encoding;
  readonly bom: boolean;
  readonly original: string | null;
  readonly title: string;
  readonly composer: string;
  /** Name and sound of the first part, for a first guess at the instrument. */
  readonly firstPart: { readonly name: string; readonly sound: string | null };
  readonly warnings: readonly ScoreWarning[];
  /** Our own field from an earlier export, as text. */
  readonly remembered: string | null;
}

export interface MarkingRequest {
  /** Quarters a minute, for breaths and ornaments. */
  readonly tempo: number;
  readonly breathSpanInSeconds: number;
  readonly wind: boolean;
  readonly bowed: boolean;
  readonly family: PlayerFamily;
  /** The teacher's own words for gestures. */
  readonly ownCues: OwnCues;
  readonly style: OrnamentStyle;
  /** Note id → style of its ornament. */
  readonly styles: ReadonlyMap<string, OrnamentStyle>;
}

export interface Marking {
  readonly harmony: Harmony;
  readonly dynamics: readonly SuggestedDynamic[];
  readonly breaths: BreathPlan | null;
  readonly bowing: Bowing | null;
  readonly phrases: readonly PhraseSign[];
  readonly ornaments: readonly RealisedOrnament[];
  readonly gestures: readonly Gesture[];
}

/** Reads pieces and cuts excerpts; keeps the pieces it read by key. */
export interface PieceWorkerApi {
  open(bytes: Uint8Array, fileName: string): Promise<Result<OpenedFile>>;
  openAbc(text: string, fileName: string): Promise<Result<OpenedFile>>;
  openGrid(grid: Grid, fileName: string): Promise<Result<OpenedFile>>;
  /** Makes sure a piece is loaded; cheap when it is. */
  load(key: string, text: string, fileName: string): Promise<Result<null>>;
  /** The loaded score without its notes; null when the piece of that key is not loaded. */
  scoreHead(key: string): Promise<{ readonly head: Omit<Score, 'notes'>; readonly notes: number } | null>;
  /** Some of its notes, so that taking them over never blocks the page for long. */
  scoreNotes(key: string, from: number, to: number): Promise<readonly Note[]>;
  /** null when the piece of that key is not loaded. */
  excerpt(key: string, request: ExcerptRequest): Promise<string | null>;
  /** The source with marks spliced in; null when the piece of that key is not loaded. */
  write(key: string, marks: readonly WrittenMark[], remembered: string | null): Promise<WrittenDocument | null>;
  /** A MIDI file of a range; null when the piece of that key is not loaded. */
  midi(key: string, request: MidiRequest): Promise<Uint8Array | null>;
  /** A proposed fingering; null when the piece of that key is not loaded. */
  finger(key: string, request: FingeringRequest): Promise<Fingering | null>;
  /** Everything else that can be proposed or computed on the page; null when the piece of that key is not loaded. */
  marking(key: string, request: MarkingRequest): Promise<Marking | null>;
  /** Chunks of the piece in learning order; null when the piece of that key is not loaded. */
  chunks(key: string, sections: readonly ProposedSection[], request: OrderRequest): Promise<readonly LadderChunk[] | null>;
  /** What became of the notes of one loaded piece in another; null when either is not loaded. */
  match(before: string, after: string): Promise<EditionMatch | null>;
}

export interface EngraveOptions {
  /** CSS pixels. */
  readonly width: number;
  /** Percent of the engraver's natural size; 60 gives a staff of about 43 px. */
  readonly scale: number;
}

export type EngraveCode = 'engrave-failed' | 'engrave-too-long' | 'engrave-unsafe';

/** One SVG a system. */
export interface EngraverWorkerApi {
  engrave(document: string, options: EngraveOptions): Promise<Result<readonly string[], EngraveCode>>;
}

/** How a piece is built. */
export interface Analysis extends Sameness {
  readonly sections: readonly ProposedSection[];
  readonly families: readonly RhythmFamily[];
  readonly payOff: readonly PayOffStep[];
  readonly difficulties: readonly BarDifficulty[];
  readonly corners: readonly BarDifficulty[];
}

export interface AnalysisWorkerApi {
  /** `progress` is told 0 to 1. */
  analyse(
    text: string,
    fileName: string,
    options: Omit<DifficultyOptions, 'tempo'>,
    progress: (share: number) => void | Promise<void>,
  ): Promise<Result<Analysis>>;
}
