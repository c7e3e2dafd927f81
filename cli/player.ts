/** Whose part a verb is about. */
import { INSTRUMENT_IDS, isInstrumentId } from '../src/core/instruments';
import { choiceNamed, playerChoices, playerKey, usualChoice, usualPlayer, type Player } from '../src/core/players';
import { fail, ok, type Result } from '../src/core/result';
import type { Score } from '../src/core/score';
import type { OptionShapes, OptionValues } from './options';

/** Taken by every verb that reads a file: which of several scores in a compressed one. */
export const FILE_OPTIONS = { score: { kind: 'text' } } as const satisfies OptionShapes;

/** Taken by every verb that asks for a player. */
export const PLAYER_OPTIONS = {
  ...FILE_OPTIONS,
  part: { kind: 'text' },
  instrument: { kind: 'choice', of: INSTRUMENT_IDS },
} as const satisfies OptionShapes;

export interface PlayerWarning {
  readonly code: 'part-chosen' | 'part-silent';
  readonly part: string;
  readonly message: string;
}

export interface ChosenPlayer {
  readonly player: Player;
  readonly warnings: readonly PlayerWarning[];
}

/** The player that the options name, else the usual one, said where there is a choice. Code: `no-such-part`. */
export function chosenPlayer(score: Score, file: string, options: OptionValues): Result<ChosenPlayer> {
  const text = options['instrument'];
  const instrument = text !== undefined && isInstrumentId(text) ? text : undefined;
  const on = (player: Player): Player => (instrument === undefined ? player : { ...player, instrument });
  const part = options['part'];
  if (part !== undefined) {
    const named = choiceNamed(score, part);
    if (named === null)
      return fail(
        'no-such-part',
        `${file} has no part "${part.slice(0, 60)}"; its parts are ${playerChoices(score)
          .map((c) => `${c.key} (${c.name})`)
          .join(', ')
          .slice(0, 800)}.`,
        { file },
      );
    const silent: PlayerWarning[] =
      named.notes === 0 ? [{ code: 'part-silent', part: named.key, message: `${named.name} has no notes` }] : [];
    return ok({ player: on(named.player), warnings: silent });
  }
  const usual = usualChoice(score, instrument);
  const others = playerChoices(score).filter((c) => c.player.line === undefined).length;
  return ok({
    player: on(usualPlayer(score, instrument)),
    warnings:
      usual === null || others < 2
        ? []
        : [
            {
              code: 'part-chosen',
              part: usual.key,
              message: `this is about ${usual.name}, one of ${others} parts; choose another with --part`,
            },
          ],
  });
}

/** Who it was about, as it is printed. */
export const aboutPlayer = ({ player, warnings }: ChosenPlayer): object => ({
  part: playerKey(player),
  instrument: player.instrument ?? null,
  warnings,
});
