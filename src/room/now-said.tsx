import { useEffect, useState, type ReactNode, type RefObject } from 'react';
import { SAYINGS, saidInTime, type SaidInTime, type Saying } from '@/core/saying';
import type { TimedMusic } from '@/core/performance';
import { lastWhere } from '@/core/score';
import { Choose, NamedChoice, useKeptChoice } from '@/ui';
import type { RoomPlayer, RoomTask } from './room-task';

/** How the words are to be seen: each when it comes, all, none. */
const SEEN = ['come', 'all', 'none'] as const;
type Seen = (typeof SEEN)[number];
const SEEN_NAMES: Readonly<Record<Seen, string>> = { come: 'each in its time', all: 'all to be seen', none: 'hidden' };

const SAYING_NAMES: Readonly<Record<Saying, string>> = {
  fingers: 'finger numbers',
  letters: 'letters of the notes',
  counts: 'counts',
  words: 'words',
};

export interface SayingAccess {
  readonly saying: Saying | null;
  readonly texts: ReadonlyMap<string, string>;
  readonly seen: Seen;
  readonly choices: ReactNode;
}

/** What is said, and how it is to be seen. */
export function useSaying(task: RoomTask): SayingAccess {
  const [kept, setSaying] = useKeptChoice('home-saying', SAYINGS);
  const [seen, setSeen] = useKeptChoice('home-said', SEEN);
  const saying = task.sayings.includes(kept) ? kept : (task.sayings[0] ?? null);
  return {
    saying,
    texts: saying === null ? new Map() : task.saidTexts(saying),
    seen,
    choices:
      saying === null ? (
        <p className="text-ink-2">Nothing is written here that could be said.</p>
      ) : (
        <span className="flex flex-wrap items-center gap-2">
          <Choose
            place="beside"
            label="Say"
            value={saying}
            choices={task.sayings.map((s) => [s, SAYING_NAMES[s]] as const)}
            onPick={setSaying}
          />
          <NamedChoice label="On the notes" value={seen} of={SEEN} names={SEEN_NAMES} onPick={setSeen} />
        </span>
      ),
  };
}

/** Marks in the music below `host` what is being said; a word behind the one that is heard is still to come. */
function mark(host: HTMLElement | null, now: SaidInTime | undefined, ahead: ReadonlySet<string>, seen: Seen): void {
  for (const word of host?.querySelectorAll<HTMLElement>('[data-said]') ?? []) {
    const id = word.dataset['said'] ?? '';
    word.toggleAttribute('data-now', id === now?.noteId);
    word.style.visibility = seen === 'none' || (seen === 'come' && ahead.has(id)) ? 'hidden' : '';
  }
}

/** The word of the moment, large; in the music it is marked on its note, in time. */
export function NowSaid({
  player,
  music,
  access: { texts, seen },
  host,
}: {
  readonly player: RoomPlayer;
  /** What sounds; null in silence. */
  readonly music: TimedMusic | null;
  readonly access: SayingAccess;
  readonly host: RefObject<HTMLElement | null>;
}): ReactNode {
  const [now, setNow] = useState<SaidInTime | null>(null);
  const { watch } = player;
  useEffect(() => {
    const said = music ? saidInTime(music, texts) : [];
    let last = -2;
    const follow = (at: number | null): void => {
      const i = at === null ? -1 : lastWhere(said, (s) => s.at <= at);
      if (i === last) return;
      last = i;
      const word = said[i];
      // In silence, and where all has been heard once, everything can be read.
      const turn = word?.turn ?? 0;
      const ahead = new Set(at === null ? [] : said.slice(i + 1).flatMap((s) => (s.turn >= turn ? [s.noteId] : [])));
      if (word) ahead.delete(word.noteId);
      mark(host.current, word, ahead, seen);
      setNow(word ?? null);
    };
    follow(null);
    return watch(follow);
  }, [music, texts, seen, host, watch]);
  if (seen === 'none') return null;
  return (
    <p aria-hidden="true" className="min-h-14 text-center text-5xl font-semibold text-slate" translate="no">
      {now?.text ?? ''}
    </p>
  );
}
