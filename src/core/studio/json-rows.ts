/** Takes JSON apart while it comes in, so that a file is never the whole in memory. */

/** What comes out: the value of a key of the outermost object, or one row of a list two levels inside it. */
export interface JsonSink {
  /** A key of the outermost object and the text of its value, when that is not the object of lists. */
  readonly value: (key: string, text: string) => void;
  /** One row of a list of the object of lists: the name of the list and the text of the row. */
  readonly row: (list: string, text: string) => void;
  /** A list begins. */
  readonly list: (list: string) => void;
}

/** Why a text is not what was asked for. */
export type JsonTrouble = 'not-json' | 'row-too-long';

/** The longest row there may be, in characters: the picture of a page is the longest that we write. */
const LONGEST_ROW = 64_000_000;

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const OPEN_BRACE = 0x7b;
const CLOSE_BRACE = 0x7d;
const OPEN_BRACKET = 0x5b;
const CLOSE_BRACKET = 0x5d;
const COMMA = 0x2c;
const COLON = 0x3a;
const isSpace = (code: number): boolean => code === 0x20 || code === 0x0a || code === 0x0d || code === 0x09;

/** What may stand next: `root` the outermost object, `key` or `end` of an object, `colon`, `value`, `comma`, … */
type Expect = 'root' | 'key-or-end' | 'key' | 'colon' | 'value' | 'value-or-end' | 'comma-or-end' | 'nothing';

/** Where we are: in the outermost object, in the object of lists, in a list. */
type Depth = 1 | 2 | 3;

/**
 * A reader of `{ key: value, lists: { name: [row, …], … } }` that is fed text in portions of any length. `lists` names
 * the key of the object of lists. Values inside rows are not looked into: they are handed on as text, for `JSON.parse`.
 * What is in the object of lists and no list is passed over.
 */
export class JsonRows {
  private expect: Expect = 'root';
  private depth: Depth = 1;
  private key = '';
  private list = '';
  /** What began in an earlier portion and is not over yet. */
  private begun = '';
  /** Of the value or key that is being read: how deep inside it, and whether in a string. */
  private inside: 'none' | 'key' | 'value' = 'none';
  private nested = 0;
  private inString = false;
  private escaped = false;
  private trouble: JsonTrouble | null = null;

  constructor(
    private readonly lists: string,
    private readonly sink: JsonSink,
  ) {}

  /** Takes in the next portion; null while all is well. */
  write(text: string): JsonTrouble | null {
    let from = 0;
    for (let i = 0; i < text.length && this.trouble === null;) {
      if (this.inside === 'none') {
        const code = text.charCodeAt(i);
        if (isSpace(code)) i += 1;
        else {
          from = i;
          i = this.between(code, i);
        }
        continue;
      }
      const end = this.skip(text, i);
      if (end < 0) break;
      const whole = this.begun + text.slice(from, end);
      this.begun = '';
      from = end;
      i = end;
      if (this.inside === 'key') this.tookKey(whole);
      else this.tookValue(whole);
    }
    if (this.inside !== 'none' && this.trouble === null) {
      this.begun += text.slice(from);
      if (this.begun.length > LONGEST_ROW) this.trouble = 'row-too-long';
    }
    return this.trouble;
  }

  /** After the last portion: null where the text was whole. */
  end(): JsonTrouble | null {
    if (this.trouble === null && this.expect !== 'nothing') this.trouble = 'not-json';
    return this.trouble;
  }

  /** One sign between keys and values; where to go on. */
  private between(code: number, i: number): number {
    switch (this.expect) {
      case 'root':
        return code === OPEN_BRACE ? this.go('key-or-end', i) : this.fails();
      case 'key-or-end':
      case 'key':
        if (code === QUOTE) {
          this.inside = 'key';
          this.nested = 0;
          return i;
        }
        return code === CLOSE_BRACE && this.expect === 'key-or-end' ? this.closes(i) : this.fails();
      case 'colon':
        return code === COLON ? this.go('value', i) : this.fails();
      case 'value':
      case 'value-or-end':
        if (code === CLOSE_BRACKET && this.expect === 'value-or-end') return this.closes(i);
        if (this.depth === 1 && this.key === this.lists && code === OPEN_BRACE) {
          this.depth = 2;
          return this.go('key-or-end', i);
        }
        if (this.depth === 2 && code === OPEN_BRACKET) {
          this.depth = 3;
          this.sink.list(this.list);
          return this.go('value-or-end', i);
        }
        if (code === COMMA || code === COLON || code === CLOSE_BRACE || code === CLOSE_BRACKET) return this.fails();
        this.inside = 'value';
        this.nested = 0;
        return i;
      case 'comma-or-end':
        if (code === COMMA) return this.go(this.depth === 3 ? 'value' : 'key', i);
        return code === (this.depth === 3 ? CLOSE_BRACKET : CLOSE_BRACE) ? this.closes(i) : this.fails();
      case 'nothing':
        return this.fails();
    }
  }

  private go(next: Expect, i: number): number {
    this.expect = next;
    return i + 1;
  }

  private fails(): number {
    this.trouble = 'not-json';
    return 0;
  }

  private closes(i: number): number {
    if (this.depth === 1) return this.go('nothing', i);
    this.depth = this.depth === 3 ? 2 : 1;
    return this.go('comma-or-end', i);
  }

  /** Behind the value or key that is being read, or -1 where it goes on in the next portion. */
  private skip(text: string, from: number): number {
    for (let i = from; i < text.length; i += 1) {
      const code = text.charCodeAt(i);
      if (this.inString) {
        if (this.escaped) this.escaped = false;
        else if (code === BACKSLASH) this.escaped = true;
        else if (code === QUOTE) {
          this.inString = false;
          if (this.nested === 0) return i + 1;
        }
        continue;
      }
      if (code === QUOTE) {
        // A string right behind a number is told by the parser of the value.
        this.inString = true;
      } else if (code === OPEN_BRACE || code === OPEN_BRACKET) this.nested += 1;
      else if (code === CLOSE_BRACE || code === CLOSE_BRACKET) {
        if (this.nested === 0) return i;
        this.nested -= 1;
        if (this.nested === 0) return i + 1;
      } else if (this.nested === 0 && (code === COMMA || code === COLON || isSpace(code))) return i;
    }
    return -1;
  }

  private tookKey(text: string): void {
    this.inside = 'none';
    this.expect = 'colon';
    try {
      const key = JSON.parse(text) as string;
      if (this.depth === 1) this.key = key;
      else this.list = key;
    } catch {
      this.trouble = 'not-json';
    }
  }

  private tookValue(text: string): void {
    this.inside = 'none';
    this.expect = 'comma-or-end';
    if (text.length > LONGEST_ROW) this.trouble = 'row-too-long';
    else if (this.depth === 3) this.sink.row(this.list, text);
    else if (this.depth === 1) this.sink.value(this.key, text);
  }
}
