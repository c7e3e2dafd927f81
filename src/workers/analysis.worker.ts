import { expose } from 'comlink';
import { barDifficulties, cornersOf } from '@/core/difficulty';
import { readScore } from '@/core/musicxml';
import { fail, ok } from '@/core/result';
import { findSameness, fitsSameness, MOST_BARS_FOR_SAMENESS, payOff, rhythmFamilies } from '@/core/sameness';
import { proposeSections } from '@/core/sections';
import type { AnalysisWorkerApi } from './protocol';

const api: AnalysisWorkerApi = {
  async analyse(text, fileName, options, progress) {
    const read = readScore(text, fileName);
    if (!read.ok) return read;
    const { score } = read.value;
    if (!fitsSameness(score))
      return fail(
        'too-many-bars',
        `The piece has ${score.bars.length} bars; up to ${MOST_BARS_FOR_SAMENESS} are compared with one another. Bring in its movements one by one.`,
      );
    await progress(0.1);
    const sameness = findSameness(score, (share) => {
      void progress(0.1 + share * 0.6);
      return true;
    });
    const sections = proposeSections(score, sameness);
    await progress(0.8);
    const difficulties = barDifficulties(score, options);
    return ok({ ...sameness, sections, families: rhythmFamilies(score), payOff: payOff(score), difficulties, corners: cornersOf(difficulties) });
  },
};

expose(api);
