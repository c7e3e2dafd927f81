import { abcText } from './text-strings';
import type { AbcVoice, GrowingEvent } from './voice';

/** Hangs one `w:` line under the notes of the latest music line (ABC 2.1, chapter 5). */
export function alignWords(words: string, voice: AbcVoice): void {
  const verse = String(voice.verse);
  voice.verse += 1;
  let bar = voice.lineStart.bar;
  let index = voice.lineStart.event - 1;
  const next = (): GrowingEvent | null => {
    for (;;) {
      const events = voice.bars[bar]?.events;
      if (!events) return null;
      index += 1;
      const event = events[index];
      if (!event) {
        bar += 1;
        index = -1;
        if (bar >= voice.bars.length) return null;
      } else if (event.kind === 'note') return event;
    }
  };
  let inside = false;
  let before = ' ';
  for (const [token] of abcText(words).matchAll(/(?:\\-|[^\s\-_*|])+|[-_*|]|\s+/g)) {
    const after = before;
    before = token.slice(-1);
    if (token.trim() === '') continue;
    if (token === '|') {
      bar += 1;
      index = -1;
      continue;
    }
    if (token === '-') {
      // A second one, or one that stands alone, is a syllable of its own: the one before goes on.
      if ((after === '-' && inside) || after.trim() === '') next();
      inside = true;
      continue;
    }
    const event = next();
    if (!event) return;
    if (token === '_' || token === '*') continue;
    const text = token.replace(/~/g, ' ').replace(/\\-/g, '-');
    event.lyrics = [...event.lyrics, { verse, text, syllabic: inside ? 'end' : 'single' }];
    inside = false;
  }
  markBegins(voice, verse);
}

/** A syllable followed by the end of a word is its beginning or middle. */
function markBegins(voice: AbcVoice, verse: string): void {
  const sung = voice.bars.flatMap((b) => b.events).filter((e) => e.lyrics.some((l) => l.verse === verse));
  sung.forEach((event, i) => {
    const following = sung[i + 1]?.lyrics.find((l) => l.verse === verse);
    const joins = following?.syllabic === 'end' || following?.syllabic === 'middle';
    if (!joins) return;
    event.lyrics = event.lyrics.map((l) =>
      l.verse === verse ? { ...l, syllabic: l.syllabic === 'end' || l.syllabic === 'middle' ? 'middle' : 'begin' } : l,
    );
  });
}
