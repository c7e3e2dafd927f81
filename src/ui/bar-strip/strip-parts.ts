/** What the bar strip is given to draw. */

export interface StripBar {
  readonly id: string;
  readonly number: string;
  /** Any unit; tiles are as wide as this is long. */
  readonly length: number;
  /** 0 to 10. */
  readonly difficulty: number;
  readonly corner: boolean;
  /** Not written, or not to its end: what is played there is not known. */
  readonly blank?: 'whole' | 'end';
  readonly repeatStart: boolean;
  readonly repeatEnd: boolean;
  readonly doubleBar: boolean;
  readonly family: string | null;
  /** Whether it is paid for on the way; absent where that is not the question. */
  readonly paid?: boolean;
}

export interface StripBracket {
  readonly id: string;
  readonly from: number;
  readonly to: number;
  readonly letter: string;
  readonly name: string;
  readonly proposed: boolean;
}

/** First and last bar, both inside. */
export type BarSpan = readonly [number, number];

export interface StripArc {
  readonly id: string;
  readonly a: BarSpan;
  readonly b: BarSpan;
  readonly kind: 'exact' | 'changed' | 'moved';
  readonly label: string;
}

/** A way back or forward in the playing order: after bar `from` bar `to` sounds. */
export interface StripJump {
  readonly from: number;
  readonly to: number;
}

/** The line that says how two places are the same. */
export const DASH: Readonly<Record<StripArc['kind'], string>> = { exact: '', changed: '7 4', moved: '1.5 4' };
