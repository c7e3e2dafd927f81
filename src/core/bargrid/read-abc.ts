import { fail, ok, type Result } from '../result';
import { fraction, type Fraction, type Key, type Meter } from '../score';
import { alignWords, readMusicLine, startVoice, voiceField, type AbcVoice } from './abc';
import { isProse } from './abc/free-text';
import { grouping } from './abc/grouping';
import { abcText } from './abc/text-strings';
import { toDraft } from './abc/to-draft';
import { applyVoiceWords, freshHead, type VoiceHead } from './abc/voice-head';
import { parseAbcKey, parseAbcLength, parseAbcMeter, parseAbcTempo, parseKeySigns } from './abc-header';
import type { Draft } from './draft';

export type AbcCode = 'abc-empty' | 'abc-too-long' | 'abc-no-music';

/** Longest ABC text read: 2 million characters. */
const LONGEST = 2_000_000;

export interface ReadAbc {
  readonly draft: Draft;
  readonly warnings: readonly { readonly bar: number; readonly voice: string; readonly message: string }[];
}

const MOST_WARNINGS = 200;
const SAYS_OF_VOICE = /clef=|octave=|transpose=/;
/** A letter and a colon at the start of a line; `c:|` and `c::` in the music are a note and a repeat sign. */
const FIELD = /^([A-Za-z]):(.*)$/;
const NOTE_AND_REPEAT = /^[A-Ga-gxz]:[|:]/;
/** Fields that change what is played or seen, and are not read. */
const LEFT_OUT: Readonly<Record<string, string>> = {
  s: 'symbol lines (s:) are left out: write the symbols before their notes',
  d: 'decoration lines (d:) are left out',
  m: 'macros (m:) are not followed',
  U: 'signs of your own (U:) are not known',
};

type Warning = ReadAbc['warnings'][number];

/** Reads the lines of a tune one after the other. */
class TuneReader {
  readonly warnings: Warning[] = [];
  readonly heads = new Map<string, VoiceHead>();
  readonly voices = new Map<string, AbcVoice>();
  title = '';
  composer = '';
  /** A tune without a meter is free (ABC 2.1, 3.1.6). */
  meter: Meter = { parts: [], symbol: null, ours: true };
  unitLength: Fraction = fraction(1, 2);
  key: Key = { fifths: 0, mode: null };
  private keySigns: ReadonlyMap<string, number> = new Map();
  tempoText: string | null = null;
  /** Which voices share a part or a staff, as `%%score` says it. */
  score: string | null = null;
  private unitSaid = false;
  private current = '1';
  private inBody = false;
  private afterBlank = false;
  private readonly left = new Set<string>();
  private keyWords = '';
  private tunes = 0;

  constructor(private readonly file: string) {}

  /** Reads a line; false where the tune ends before it. */
  read(raw: string): boolean {
    const scoreLine = /^%%(?:score|staves)\s+(.*)$/.exec(raw);
    if (scoreLine) {
      this.score = scoreLine[1] ?? null;
      return true;
    }
    const program = /^%%MIDI\s+program\s+(?:\d+\s+)?(\d{1,3})\s*$/i.exec(raw);
    if (program) {
      this.headOf(this.current).program = Math.min(127, Number(program[1]));
      return true;
    }
    const line = raw.replace(/(^|[^\\])%.*$/, '$1').trimEnd();
    if (line.trim() === '') {
      this.afterBlank = true;
      return true;
    }
    const field = this.inBody && NOTE_AND_REPEAT.test(line) ? null : FIELD.exec(line);
    if (field) return this.readField(field[1] ?? '', field[2] ?? '');
    // Prose stands before the first tune of a book, and after an empty line.
    if ((this.afterBlank || !this.inBody) && isProse(line)) this.leaveOut('text that is no music is left out');
    else for (const piece of line.split(/(?=\[V:)/)) this.readMusic(piece);
    this.afterBlank = false;
    return true;
  }

  private readMusic(line: string): void {
    this.inBody = true;
    const inline = /^\[V:\s*([^\s\]]+)[^\]]*\]/.exec(line);
    if (inline) this.current = inline[1] ?? this.current;
    readMusicLine(line.slice(inline?.[0].length ?? 0), this.voiceOf(this.current), this.warnIn(this.current));
  }

  private readField(letter: string, body: string): boolean {
    if (letter === 'X') return this.beginTune();
    if (letter === 'V') this.readVoice(body);
    else if (letter === 'w') {
      const voice = this.voices.get(this.current);
      if (voice) alignWords(body.trim(), voice);
    } else if (this.inBody && 'KMLQP'.includes(letter))
      voiceField(this.voiceOf(this.current), letter, body, this.warnIn(this.current));
    else this.readHeader(letter, body);
    return true;
  }

  private beginTune(): boolean {
    this.tunes += 1;
    this.afterBlank = false;
    if (this.tunes <= 1) return true;
    this.warn(`${this.file} holds several tunes; the first is read`);
    return false;
  }

  private readVoice(body: string): void {
    const [id = '1', ...rest] = body.trim().split(/\s+/);
    this.current = id;
    applyVoiceWords(this.headOf(id), rest.join(' '));
    if (this.inBody) this.voiceOf(id);
  }

  private readHeader(letter: string, body: string): void {
    switch (letter) {
      case 'T':
        this.title = this.title === '' ? abcText(body.trim()) : this.title;
        return;
      case 'C':
        this.composer = [this.composer, abcText(body.trim())].filter((name) => name !== '').join(', ');
        return;
      case 'M':
        this.readMeter(body);
        return;
      case 'L':
        this.unitLength = parseAbcLength(body) ?? this.unitLength;
        this.unitSaid = true;
        return;
      case 'Q':
        this.tempoText = body;
        return;
      case 'K':
        this.readKey(body);
        return;
      case 'P':
        this.leaveOut(`the order of parts "${body.trim().slice(0, 40)}" is not followed: parts are read as they stand`);
        return;
      default:
        this.leaveOut(LEFT_OUT[letter] ?? null);
    }
  }

  private leaveOut(sentence: string | null): void {
    if (sentence === null || this.left.has(sentence)) return;
    this.left.add(sentence);
    this.warn(sentence);
  }

  private readMeter(body: string): void {
    const found = parseAbcMeter(body);
    if (!found) {
      this.warn(`the meter "${body.trim().slice(0, 20)}" cannot be read; the bars are as long as their notes`);
      return;
    }
    this.meter = found.meter;
    if (!this.unitSaid) this.unitLength = found.unitLength;
  }

  private readKey(body: string): void {
    const found = parseAbcKey(body);
    this.keySigns = parseKeySigns(body);
    if (found) this.key = found;
    else this.warn(`the key "${body.trim().slice(0, 20)}" cannot be read; no accidentals are used`);
    this.keyWords = body;
    if (SAYS_OF_VOICE.test(body)) for (const head of this.heads.values()) applyVoiceWords(head, body);
    this.inBody = true;
  }

  private headOf(id: string): VoiceHead {
    const known = this.heads.get(id);
    if (known) return known;
    const fresh = freshHead(id);
    applyVoiceWords(fresh, this.keyWords);
    this.heads.set(id, fresh);
    return fresh;
  }

  private voiceOf(id: string): AbcVoice {
    const known = this.voices.get(id);
    if (known) return known;
    const { octaveShift, clef } = this.headOf(id);
    // Under a clef with an 8 the notes sound an octave from where the letters put them (4.6).
    const shift = octaveShift + clef.octaveChange;
    const fresh = startVoice(this.key, this.meter, this.unitLength, shift, this.keySigns);
    this.voices.set(id, fresh);
    return fresh;
  }

  private warn(message: string): void {
    this.warnings.push({ bar: 1, voice: '', message });
  }

  private warnIn(id: string): (message: string) => void {
    return (message) => {
      if (this.warnings.length < MOST_WARNINGS)
        this.warnings.push({ bar: this.voices.get(id)?.bars.length ?? 1, voice: id, message });
    };
  }
}

/** Lines of the text, each field with the lines that continue it (`+:`). */
const linesOf = (text: string): string[] => text.replace(/(?:\r\n|\r|\n)\+:/g, ' ').split(/\r\n|\r|\n/);

/** Bars without a note at the end of a voice are those of a line end. */
function withoutEmptyEnd({ bars }: AbcVoice): void {
  while (bars.length > 1 && bars[bars.length - 1]?.events.length === 0) bars.pop();
}

/**
 * Reads the first tune of an ABC text (standard 2.1). Warnings name the bar (from 1) and the voice; errors:
 * `abc-empty`, `abc-too-long`, `abc-no-music`.
 *
 * @example readAbc('X:1\nK:C\nCDEF|', 'x.abc').value.draft.bars.length // → 1
 */
export function readAbc(text: string, file: string): Result<ReadAbc, AbcCode> {
  if (text.trim() === '') return fail('abc-empty', `${file} is empty: type or bring in some notes.`, { file });
  if (text.length > LONGEST)
    return fail('abc-too-long', `${file} holds more than 2 million characters; split it into tunes.`, { file });
  const tune = new TuneReader(file);
  for (const line of linesOf(text)) if (!tune.read(line)) break;
  const { title, composer, meter, key, heads, voices, tempoText } = tune;
  for (const voice of voices.values()) withoutEmptyEnd(voice);
  const ids = [...voices.keys()].filter((id) => voices.get(id)?.bars.some((b) => b.events.length > 0));
  if (ids.length === 0) return fail('abc-no-music', `${file} holds no notes that can be read as ABC.`, { file });
  const tempo = tempoText === null ? null : parseAbcTempo(tempoText, tune.unitLength);
  const groups = grouping(tune.score, ids);
  return ok({
    draft: toDraft({ title, composer, meter, key, tempo, groups, heads, voices, ids }),
    warnings: tune.warnings,
  });
}
