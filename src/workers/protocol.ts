/** Everything that passes between the page and its workers. */
import type { Gesture, OwnCues } from '@/core/articulation';
import type { Grid } from '@/core/bargrid';
import type { BarDifficulty, Corner } from '@/core/difficulty';
import type { BreathPlan, Bowing, PhraseSign } from '@/core/breath';
import type { SuggestedDynamic } from '@/core/dynamics';
import type { EngraveOptions } from '@/core/engraving';
import type { ReadPiece } from '@/core/commands';
import type { FlatPage, PageOptions, PictureType } from '@/core/page';
import type { LineContent, PageLine } from '@/core/paper';
import type { Fingering, FingeringRequest } from '@/core/fingering';
import type { Harmony } from '@/core/harmony';
import type { Way, WayRequest } from '@/core/way';
import type { MidiRequest } from '@/core/midi';
import type { OrnamentStyle, RealisedOrnament } from '@/core/ornaments';
import type { ExcerptRequest, WrittenDocument, WrittenMark } from '@/core/musicxml';
import type { InstrumentId, PlayerFamily } from '@/core/instruments';
import type { Result } from '@/core/result';
import type { PayOffStep, RhythmFamily, Sameness } from '@/core/sameness';
import type { ProposedSection } from '@/core/sections';
import type { KeptIds, Note, Score } from '@/core/score';
import type { Player } from '@/core/players';
import type { Conflict, KeptDocument, Section, Zone } from '@/core/studio';

/** A file as it was read, with what the reader had to say. */
export interface OpenedFile extends ReadPiece {
  readonly notes: readonly { readonly code: string; readonly message: string }[];
  /** Of a compressed file with several scores: all of them, and which this is. */
  readonly scores?: { readonly paths: readonly string[]; readonly path: string };
}

/** A later edition of a piece: its document, the ids it keeps, and what became of its bars. */
export interface EditionFile {
  readonly opened: OpenedFile;
  readonly kept: KeptIds;
  /** Bars of the new edition that hold something else than before, and those that are new, as counts. */
  readonly changedBars: number;
  readonly newBars: number;
  /** Printed numbers of bars that are gone. */
  readonly lostBars: readonly string[];
}

export interface MarkingRequest {
  /** Quarters a minute, for breaths and ornaments. */
  readonly tempo: number;
  readonly breathSpanInSeconds: number;
  readonly instrument: InstrumentId;
  /** Its player breathes; where the metronome wins, only where there is time. */
  readonly breathes: boolean;
  readonly strictTime: boolean;
  readonly bowed: boolean;
  /** In whose words gestures are told; null for none. */
  readonly technique: PlayerFamily | null;
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

/** A piece that a worker keeps in memory, under a key that changes with its document. */
export interface LoadedPiece {
  readonly key: string;
  readonly piece: KeptDocument;
}

/** What a teacher brings: a file, or something typed. */
export type Brought =
  | { readonly kind: 'file'; readonly bytes: Uint8Array; readonly fileName: string; readonly score?: string }
  | { readonly kind: 'abc'; readonly text: string; readonly fileName: string }
  | { readonly kind: 'grid'; readonly grid: Grid; readonly fileName: string };

/**
 * Reads pieces and cuts excerpts; keeps the pieces it read by key, and reads one again when it does not know it any
 * more.
 */
export interface ReadingWorkerApi {
  open(brought: Brought): Promise<Result<OpenedFile>>;
  /** A document of the first bars of a file for the usual part, before the file is read; null where that cannot be. */
  firstBars(brought: Extract<Brought, { kind: 'file' }>): Promise<Result<string | null>>;
  /** Opens something as the later edition of a piece. */
  edition(before: KeptDocument, brought: Brought): Promise<Result<EditionFile>>;
  /** The score without its notes. */
  scoreHead(loaded: LoadedPiece): Promise<Result<{ readonly head: Omit<Score, 'notes'>; readonly notes: number }>>;
  /** Some of its notes, so that taking them over never blocks the page for long. */
  scoreNotes(loaded: LoadedPiece, from: number, to: number): Promise<Result<readonly Note[]>>;
  excerpt(loaded: LoadedPiece, request: ExcerptRequest): Promise<Result<string>>;
  /** The source with marks spliced in. */
  write(
    loaded: LoadedPiece,
    marks: readonly WrittenMark[],
    remembered: string | null,
  ): Promise<Result<WrittenDocument>>;
  /** A MIDI file of a range. */
  midi(loaded: LoadedPiece, request: MidiRequest): Promise<Result<Uint8Array>>;
  /** Parts of a piece as a file of their own, by part id. */
  takePart(loaded: LoadedPiece, parts: readonly string[]): Promise<Result<OpenedFile>>;
}

/** Everything that takes thought; apart from reading, so that music never waits behind it. */
export interface AnalysisWorkerApi {
  /** How a piece is built; `progress` is told 0 to 1. */
  analyse(
    loaded: LoadedPiece,
    player: Player | null,
    progress: (share: number) => void | Promise<void>,
  ): Promise<Result<Built>>;
  /** How hard each bar is, without what the fingering makes hard: soon there. */
  atFirstSight(loaded: LoadedPiece, player: Player): Promise<Result<HardPlaces>>;
  /** A proposed fingering. */
  finger(loaded: LoadedPiece, player: Player, request: FingeringRequest): Promise<Result<Fingering>>;
  /** Everything else that can be proposed or computed on the page. */
  marking(loaded: LoadedPiece, player: Player, request: MarkingRequest): Promise<Result<Marking>>;
  /** The way through the sections that are kept; through those that are proposed where none is. */
  way(loaded: LoadedPiece, player: Player, kept: readonly Section[], request: WayRequest): Promise<Result<Way>>;
}

export type EngraveCode = 'engrave-failed' | 'engrave-unsafe';

/** One SVG a system. */
export interface EngraverWorkerApi {
  engrave(document: string, options: EngraveOptions): Promise<Result<readonly string[], EngraveCode>>;
}

/** How hard each bar is, 0 to 10, and which bars are corners. */
export interface HardPlaces {
  readonly scores: readonly number[];
  readonly corners: readonly number[];
}

/** How a piece is built. */
export interface Built extends Sameness {
  readonly sections: readonly ProposedSection[];
  readonly families: readonly RhythmFamily[];
  readonly payOff: readonly PayOffStep[];
  readonly difficulties: readonly BarDifficulty[];
  readonly corners: readonly Corner[];
}

/** What a studio file brought. */
export interface BroughtIn {
  readonly pieces: number;
  readonly students: number;
  readonly records: number;
  readonly newRecords: number;
  readonly damaged: number;
  readonly conflicts: readonly Conflict[];
  /** What changed where the file was of an earlier version. */
  readonly listed: readonly string[];
}

/** What a long work on a studio is at. */
export type FileWorkStep = 'reading' | 'storing' | 'counting' | 'writing' | 'binding';
/** Is told how far it is, 0 to 1, and what is being done. */
export type FileWorkTold = (share: number, step: FileWorkStep) => void | Promise<void>;

/**
 * Whole studios, with the database opened where they are worked on: the page is free meanwhile. All of it is in
 * portions; ending the worker breaks it off, and what was not finished was not done.
 */
export interface FilesWorkerApi {
  /** Brings in a studio file, packed or plain. */
  bringIn(
    database: string,
    file: Blob,
    fileName: string,
    zone: Zone,
    now: string,
    told: FileWorkTold,
  ): Promise<Result<BroughtIn>>;
  /** The studio file, packed. */
  save(
    database: string,
    now: string,
    told: FileWorkTold,
  ): Promise<Result<{ readonly file: Blob; readonly damaged: number }>>;
  /** Takes back what came with a file, or brings it back; its label. */
  step(database: string, way: 'undo' | 'redo', now: string, told: FileWorkTold): Promise<Result<string | null>>;
  /** Binds loose records, and puts together what former versions kept apart. */
  bindRecords(database: string, told: FileWorkTold): Promise<Result<null>>;
  /** Makes the demo studio and fills an empty database with it. */
  fillDemo(database: string, now: string, zone: Zone): Promise<Result<null>>;
  practiceCsv(database: string): Promise<Result<{ readonly file: Blob; readonly rows: number }>>;
  /** Levels of everyone on one piece, or on all. */
  masteryCsv(database: string, pieceId: string | null, zone: Zone): Promise<Result<{ readonly file: Blob }>>;
}

/** A picture as it was brought. */
export interface PictureOfPage {
  readonly bytes: Uint8Array;
  readonly name: string;
}

/** A picture as it is kept, in base 64, with what was found on it; no systems where nothing was. */
export interface KeptPicture {
  readonly type: PictureType;
  readonly data: string;
  readonly width: number;
  readonly height: number;
  readonly flat: Pick<FlatPage, 'space' | 'systems'>;
}

/** A line to be cut from the kept picture of a page; `key` changes with the picture. */
export interface LineToDraw {
  readonly line: PageLine;
  readonly picture: { readonly key: string; readonly type: PictureType; readonly data: string };
  readonly content: LineContent;
}

/** Pictures of pages: what is on them, and lines cut from them. */
export interface PagesWorkerApi {
  /** Finds the systems and bars of a page and makes it flat; `progress` is told 0 to 1. */
  read(
    picture: PictureOfPage,
    options: PageOptions,
    progress: (share: number) => void | Promise<void>,
  ): Promise<Result<KeptPicture>>;
  /** One SVG a line. */
  lines(wanted: readonly LineToDraw[]): Promise<Result<readonly string[]>>;
}
