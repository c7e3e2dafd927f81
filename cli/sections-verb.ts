import { analysisOf } from '../src/core/analysis';
import { soundingScore } from '../src/core/players';
import { ok, type Result } from '../src/core/result';
import type { OptionValues } from './options';
import { aboutPlayer, chosenPlayer, type ChosenPlayer } from './player';
import { differencesInWords, differencesOf, movedInWords } from '../src/core/sameness';
import { quartersText, type Score } from '../src/core/score';
import { openPiece } from '../src/core/studio';

const round = (n: number, places: number): number => Number(n.toFixed(places));

/** What `oak sections` prints; field names are a contract. */
export function describeSections(score: Score, chosen: ChosenPlayer): unknown {
  const { sameness, sections, families, payOff, difficulties, corners } = analysisOf(score, chosen.player);
  const heard = soundingScore(score);
  return {
    ...aboutPlayer(chosen),
    /** Form and sameness are of all that sounds; corners and difficulty are the player's. */
    of: { sections: 'all parts', repeats: 'all parts', payoff: 'the part', corners: 'the part' },
    sections: sections.map((s) => ({
      name: s.name,
      letter: s.letter,
      from: s.from,
      to: s.to,
      reasons: s.reasons,
      upbeatQuarters: s.upbeatQuarters,
      endUpbeatQuarters: s.endUpbeatQuarters,
      like: s.like,
      certainty: s.certainty,
      phrases: s.phrases,
    })),
    repeats: [
      ...sameness.repeats
        .map((r) => ({ r, differences: r.kind === 'changed' ? differencesOf(heard, r) : [] }))
        .map(({ r, differences }) => ({
          kind: r.kind,
          part: r.part,
          staff: r.staff,
          a: r.a,
          b: r.b,
          semitones: r.semitones,
          steps: r.steps,
          diatonic: r.diatonic,
          times: r.times,
          differences,
          words:
            r.kind === 'moved' || r.kind === 'sequence'
              ? movedInWords(r)
              : r.kind === 'rhythm'
                ? 'the same rhythm'
                : differencesInWords(heard, r, differences),
          savesSeconds: round(r.saves, 3),
        })),
      ...sameness.beatSequences.map((s) => ({
        kind: 'sequence',
        part: s.part,
        staff: s.staff,
        a: s.a,
        b: s.b,
        /** Where in its first bar each begins, and how long the shape is. */
        aFrom: quartersText(score, s.aFrom),
        bFrom: quartersText(score, s.bFrom),
        quarters: quartersText(score, s.length),
        to: s.to,
        semitones: s.semitones,
        steps: s.steps,
        times: s.times,
        differences: [],
        words: movedInWords(s),
      })),
    ],
    ostinatos: sameness.ostinatos,
    rhythmFamilies: families.map((f) => ({
      part: f.part,
      staff: f.staff,
      tag: f.tag,
      bars: f.bars,
      count: f.count,
    })),
    payoff: payOff.map((p) => ({
      bars: p.bars,
      sharePlayed: round(p.sharePlayed, 6),
      seconds: round(p.seconds, 3),
    })),
    corners: corners.map((d) => ({
      bar: d.bar,
      score: d.score,
      margin: d.margin,
      reasons: d.reasons.map((r) => r.text),
    })),
    difficulty: difficulties.map((d) => ({ bar: d.bar, score: d.score })),
  };
}

export async function sectionsVerb(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> {
  const opened = await openPiece(bytes, file, options['score']);
  if (!opened.ok) return opened;
  const { score } = opened.value.read;
  const chosen = chosenPlayer(score, file, options);
  if (!chosen.ok) return chosen;
  return ok(describeSections(score, chosen.value));
}
