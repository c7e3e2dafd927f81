import { emptyBar, type AbcBar, type AbcVoice } from './voice';

export type AbcWarn = (message: string) => void;

/** Reads along one line of music of a voice. */
export class Scanner {
  at = 0;
  constructor(
    readonly text: string,
    readonly voice: AbcVoice,
    readonly warn: AbcWarn,
  ) {}

  get rest(): string {
    return this.text.slice(this.at);
  }

  get bar(): AbcBar {
    const bar = this.voice.bars[this.voice.bars.length - 1];
    if (bar) return bar;
    const fresh = emptyBar();
    this.voice.bars.push(fresh);
    return fresh;
  }

  take(pattern: RegExp): RegExpExecArray | null {
    const match = pattern.exec(this.rest);
    if (match && match.index === 0) {
      this.at += match[0].length;
      return match;
    }
    return null;
  }
}
