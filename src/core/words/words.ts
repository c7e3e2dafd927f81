/** Which of two usual words a teacher says for a bar, and for the values of notes. */
export interface Words {
  readonly bar: 'bar' | 'measure';
  readonly notes: 'american' | 'british';
}

/** The words in which every sentence of ours is written. */
export const WRITTEN_WORDS: Words = { bar: 'bar', notes: 'american' };

/** By its American name; the half and the whole are also other things and are only taken before "note" or a dot. */
const VALUES: Readonly<Record<string, string>> = {
  quarter: 'crotchet',
  eighth: 'quaver',
  sixteenth: 'semiquaver',
  '16th': 'semiquaver',
  '32nd': 'demisemiquaver',
  '64th': 'hemidemisemiquaver',
  half: 'minim',
  whole: 'semibreve',
};

/** A bar line, a double bar, the bar of a chord's shape and that of a keyboard are called so by everybody. */
const BAR = /(?<!\b(?:double|space)[- ])\b(bar)(s?)\b(?![- ]?(?:line|chord|check))/g;
/** With a capital only alone or with a number or a small word behind it: a name may have the word, too. */
const CAPITAL_BAR = /\bBar(s?)(?= ?$|[:,]| (?:\d|[a-z]))/g;
const SURE =
  /\b(an? )?(quarter|eighth|sixteenth|16th|32nd|64th)( notes?|s)?\b(?! (?:position|of (?:the|a|an|what)\b))/g;
const DOUBTFUL = /\b(half|whole) (notes?)\b/g;
const DOTTED = /\bdotted (half|whole)(s?)\b/g;

const british = (name: string): string => VALUES[name] ?? name;
const plural = (tail: string | undefined): string => (tail?.endsWith('s') === true ? 's' : '');

/**
 * A sentence of ours in the words of a studio. What is nobody's sentence (a title, a name, a note) is not to be given.
 *
 * @example sayIn({ bar: 'measure', notes: 'american' }, 'Bars 3–4, as bar 1') // → 'Measures 3–4, as measure 1'
 * @example sayIn({ bar: 'bar', notes: 'british' }, 'an eighth, 3 dotted quarters') // → 'a quaver, 3 dotted crotchets'
 */
export function sayIn(words: Words, sentence: string): string {
  let said = sentence;
  if (words.bar === 'measure') said = said.replace(BAR, 'measure$2').replace(CAPITAL_BAR, 'Measure$1');
  if (words.notes === 'british')
    said = said
      .replace(SURE, (_, article: string | undefined, name: string, tail: string | undefined) => {
        const a = article === undefined ? '' : 'a ';
        return `${a}${british(name)}${plural(tail)}`;
      })
      .replace(DOUBTFUL, (_, name: string, tail: string) => `${british(name)}${plural(tail)}`)
      .replace(DOTTED, (_, name: string, s: string) => `dotted ${british(name)}${s}`);
  return said;
}
