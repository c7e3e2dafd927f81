import { fail, ok, type Result } from '../result';
import { compare, fraction, meterQuarters, type Key, type Meter } from '../score';
import { parseAbcKey, parseAbcLength, parseAbcMeter, parseAbcTempo } from './abc-header';
import { alignWords, readMusicLine, startVoice, voiceField, type AbcVoice } from './abc-music';
import type { Draft, DraftBar, DraftPart, DraftStaff, DraftTempo } from './draft';

export type AbcCode = 'abc-empty' | 'abc-too-long' | 'abc-no-music';

/** Longest ABC text read: 2 million characters. */
const LONGEST = 2_000_000;

export interface ReadAbc {
  readonly draft: Draft;
  readonly warnings: readonly { readonly bar: number; readonly voice: string; readonly message: string }[];
}

interface VoiceHead {
  readonly id: string;
  name: string;
  clef: DraftStaff['clef'];
  octaveShift: number;
  transpose: number;
}

const CLEFS: Readonly<Record<string, DraftStaff['clef']>> = {
  treble: { sign: 'G', line: 2, octaveChange: 0 },
  bass: { sign: 'F', line: 4, octaveChange: 0 },
  bass3: { sign: 'F', line: 3, octaveChange: 0 },
  alto: { sign: 'C', line: 3, octaveChange: 0 },
  tenor: { sign: 'C', line: 4, octaveChange: 0 },
  soprano: { sign: 'C', line: 1, octaveChange: 0 },
  perc: { sign: 'percussion', line: 2, octaveChange: 0 },
  'treble-8': { sign: 'G', line: 2, octaveChange: -1 },
  'treble+8': { sign: 'G', line: 2, octaveChange: 1 },
  'bass-8': { sign: 'F', line: 4, octaveChange: -1 },
};

function applyVoiceWords(head: VoiceHead, text: string): void {
  const clef = /(?:clef=)?\b(treble[+-]8|bass-8|treble|bass3|bass|alto|tenor|soprano|perc)\b/.exec(text)?.[1];
  if (clef) head.clef = CLEFS[clef] ?? head.clef;
  const name = /\b(?:name|nm)="([^"]{0,60})"/.exec(text)?.[1];
  if (name !== undefined) head.name = name;
  const octave = /\boctave=(-?\d)/.exec(text)?.[1];
  if (octave !== undefined) head.octaveShift = Number(octave);
  const transpose = /\btranspose=(-?\d{1,2})/.exec(text)?.[1];
  if (transpose !== undefined) head.transpose = Number(transpose);
}

/** `%%score {1 2} (3 4)`: braces join voices to one part of several staves, brackets put voices on one staff. */
function grouping(score: string | null, voices: readonly string[]): string[][][] {
  if (score === null) return voices.map((v) => [[v]]);
  const parts: string[][][] = [];
  let brace: string[][] | null = null;
  let paren: string[] | null = null;
  for (const token of score.match(/[{}()[\]|]|[^\s{}()[\]|]+/g) ?? []) {
    if (token === '{') brace = [];
    else if (token === '}') {
      if (brace && brace.length > 0) parts.push(brace);
      brace = null;
    } else if (token === '(') paren = [];
    else if (token === ')') {
      if (paren && paren.length > 0) (brace ?? parts).push((brace ? paren : [paren]) as string[] & string[][]);
      paren = null;
    } else if (!/[[\]|]/.test(token) && voices.includes(token)) {
      if (paren) paren.push(token);
      else if (brace) brace.push([token]);
      else parts.push([[token]]);
    }
  }
  const named = new Set(parts.flat(2));
  return [...parts, ...voices.filter((v) => !named.has(v)).map((v) => [[v]])];
}

/** Written-to-sounding steps of an ABC `transpose=` in semitones. */
const transposition = (semitones: number): DraftPart['transpose'] =>
  semitones === 0
    ? null
    : {
        diatonic: Math.round((semitones % 12) * (7 / 12)),
        chromatic: semitones % 12,
        octaveChange: Math.trunc(semitones / 12),
      };

/**
 * Reads the first tune of an ABC text (standard 2.1). Warnings name the bar (from 1) and the voice; errors:
 * `abc-empty`, `abc-too-long`, `abc-no-music`.
 */
export function readAbc(text: string, file: string): Result<ReadAbc, AbcCode> {
  if (text.trim() === '') return fail('abc-empty', `${file} is empty: type or bring in some notes.`, { file });
  if (text.length > LONGEST)
    return fail('abc-too-long', `${file} holds more than 2 million characters; split it into tunes.`, { file });
  const warnings: { bar: number; voice: string; message: string }[] = [];
  const heads = new Map<string, VoiceHead>();
  const voices = new Map<string, AbcVoice>();
  let title = '';
  let composer = '';
  let meter: Meter = { parts: [{ groups: [4], unit: 4 }], symbol: null };
  let unitLength = fraction(1, 2);
  let unitSaid = false;
  let key: Key = { fifths: 0, mode: null };
  let tempoText: string | null = null;
  let score: string | null = null;
  let current = '1';
  let inBody = false;
  let keyWords = '';
  const headOf = (id: string): VoiceHead => {
    const known = heads.get(id);
    if (known) return known;
    const fresh: VoiceHead = {
      id,
      name: '',
      clef: { sign: 'G', line: 2, octaveChange: 0 },
      octaveShift: 0,
      transpose: 0,
    };
    applyVoiceWords(fresh, keyWords);
    heads.set(id, fresh);
    return fresh;
  };
  const voiceOf = (id: string): AbcVoice => {
    const known = voices.get(id);
    if (known) return known;
    const fresh = startVoice(key, meter, unitLength, headOf(id).octaveShift);
    voices.set(id, fresh);
    return fresh;
  };
  const warnIn =
    (id: string) =>
    (message: string): void => {
      if (warnings.length < 200) warnings.push({ bar: voices.get(id)?.bars.length ?? 1, voice: id, message });
    };
  let tunes = 0;
  for (const raw of text.split(/\r\n|\r|\n/)) {
    const scoreLine = /^%%(?:score|staves)\s+(.*)$/.exec(raw);
    if (scoreLine) {
      score = scoreLine[1] ?? null;
      continue;
    }
    const line = raw.replace(/(^|[^\\])%.*$/, '$1').trimEnd();
    if (line.trim() === '') continue;
    const field = /^([A-Za-z+]):(.*)$/.exec(line);
    if (field && !/^[|:]/.test(line)) {
      const [, letter = '', body = ''] = field;
      if (letter === 'X') {
        tunes += 1;
        if (tunes > 1) {
          warnings.push({ bar: 1, voice: '', message: `${file} holds several tunes; the first is read` });
          break;
        }
        continue;
      }
      if (letter === 'V') {
        const [id = '1', ...rest] = body.trim().split(/\s+/);
        current = id;
        applyVoiceWords(headOf(id), rest.join(' '));
        if (inBody) voiceOf(id);
        continue;
      }
      if (letter === 'w') {
        const voice = voices.get(current);
        if (voice) alignWords(body.trim(), voice);
        continue;
      }
      if (inBody && 'KMLQP'.includes(letter)) {
        voiceField(voiceOf(current), letter, body, warnIn(current));
        continue;
      }
      switch (letter) {
        case 'T':
          title = title === '' ? body.trim() : title;
          break;
        case 'C':
          composer = body.trim();
          break;
        case 'M': {
          const found = parseAbcMeter(body);
          if (found) {
            meter = found.meter;
            if (!unitSaid) unitLength = found.unitLength;
          } else
            warnings.push({
              bar: 1,
              voice: '',
              message: `the meter "${body.trim().slice(0, 20)}" cannot be read; 4/4 is used`,
            });
          break;
        }
        case 'L':
          unitLength = parseAbcLength(body) ?? unitLength;
          unitSaid = true;
          break;
        case 'Q':
          tempoText = body;
          break;
        case 'K': {
          const found = parseAbcKey(body);
          if (found) key = found;
          else
            warnings.push({
              bar: 1,
              voice: '',
              message: `the key "${body.trim().slice(0, 20)}" cannot be read; no accidentals are used`,
            });
          keyWords = body;
          for (const head of heads.values()) if (/clef=|octave=|transpose=/.test(body)) applyVoiceWords(head, body);
          inBody = true;
          break;
        }
        default:
          break;
      }
      continue;
    }
    inBody = true;
    let music = line;
    const inline = /^\[V:\s*([^\s\]]+)[^\]]*\]/.exec(music);
    if (inline) {
      current = inline[1] ?? current;
      music = music.slice(inline[0].length);
    }
    readMusicLine(music, voiceOf(current), warnIn(current));
  }
  for (const voice of voices.values())
    while (voice.bars.length > 1 && voice.bars[voice.bars.length - 1]?.events.length === 0) voice.bars.pop();
  const ids = [...voices.keys()].filter((id) => voices.get(id)?.bars.some((b) => b.events.length > 0));
  if (ids.length === 0) return fail('abc-no-music', `${file} holds no notes that can be read as ABC.`, { file });
  return ok({
    draft: toDraft({
      title,
      composer,
      meter,
      key,
      tempo: tempoText === null ? null : parseAbcTempo(tempoText, unitLength),
      groups: grouping(score, ids),
      heads,
      voices,
      ids,
    }),
    warnings,
  });
}

interface Gathered {
  readonly title: string;
  readonly composer: string;
  readonly meter: Meter;
  readonly key: Key;
  readonly tempo: DraftTempo | null;
  readonly groups: string[][][];
  readonly heads: ReadonlyMap<string, VoiceHead>;
  readonly voices: ReadonlyMap<string, AbcVoice>;
  readonly ids: readonly string[];
}

function toDraft(all: Gathered): Draft {
  const { groups, heads, voices, ids } = all;
  const count = Math.max(...ids.map((id) => voices.get(id)?.bars.length ?? 0));
  const parts: DraftPart[] = groups.map((staves, p) => {
    const first = heads.get(staves[0]?.[0] ?? '');
    return {
      id: `P${p + 1}`,
      name: first?.name ?? '',
      sound: null,
      midiProgram: null,
      transpose: transposition(first?.transpose ?? 0),
      staves: staves.map((voiceIds) => ({
        clef: heads.get(voiceIds[0] ?? '')?.clef ?? { sign: 'G', line: 2, octaveChange: 0 },
      })),
    };
  });
  const bars: DraftBar[] = [];
  let meter = all.meter;
  let printed = 0;
  let openEnding: readonly number[] | null = null;
  for (let i = 0; i < count; i += 1) {
    const here = ids.flatMap((id) => {
      const bar = voices.get(id)?.bars[i];
      return bar ? [bar] : [];
    });
    const meterChange = here.find((b) => b.meter)?.meter ?? null;
    if (meterChange) meter = meterChange;
    const nominal = meterQuarters(meter);
    const quarters = here.reduce(
      (longest, b) => (compare(b.length, longest) > 0 ? b.length : longest),
      here[0]?.length ?? nominal,
    );
    const pickup = i === 0 && nominal.n > 0 && compare(quarters, nominal) < 0;
    if (!pickup) printed += 1;
    const endingStart: readonly number[] | null = here.find((b) => b.endingStart)?.endingStart ?? null;
    if (endingStart) openEnding = endingStart;
    const repeatEnd = here.find((b) => b.repeatEnd !== null)?.repeatEnd ?? null;
    const doubleBar = here.find((b) => b.doubleBar)?.doubleBar ?? null;
    const nextStarts = ids.some((id) => voices.get(id)?.bars[i + 1]?.endingStart != null);
    const closes: boolean =
      openEnding !== null && (repeatEnd !== null || doubleBar !== null || nextStarts || i === count - 1);
    bars.push({
      number: pickup ? '0' : String(printed),
      implicit: pickup,
      quarters: quarters.n > 0 ? quarters : nominal,
      meter: i === 0 ? all.meter : meterChange,
      key: i === 0 ? all.key : (here.find((b) => b.key)?.key ?? null),
      tempo: here.find((b) => b.tempo)?.tempo ?? (i === 0 ? all.tempo : null),
      repeatStart: here.some((b) => b.repeatStart),
      repeatEnd,
      endingStart,
      endingStop: closes ? openEnding : null,
      segno: here.some((b) => b.segno),
      coda: here.some((b) => b.coda),
      toCoda: here.some((b) => b.toCoda),
      fine: here.some((b) => b.fine),
      jump: here.find((b) => b.jump !== null)?.jump ?? null,
      doubleBar,
      lineBreak: here.some((b) => b.lineBreak),
      rehearsal: here.find((b) => b.rehearsal !== null)?.rehearsal ?? null,
      content: groups.map((staves) =>
        staves.map((voiceIds) => voiceIds.map((id) => voices.get(id)?.bars[i]?.events ?? [])),
      ),
    });
    if (closes) openEnding = null;
  }
  return { title: all.title, composer: all.composer, parts, bars };
}
