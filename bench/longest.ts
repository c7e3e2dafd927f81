/** One piece of very many bars in a process of its own: prints milliseconds of all answers and the most megabytes. */
import { performance } from 'node:perf_hooks';
import { analysisOf } from '../src/core/analysis';
import { readScore } from '../src/core/musicxml';
import { proposeWay } from '../src/core/way';
import { longPiece, type LongPiece } from '../tests/growth/long-piece';

const [kind = 'themes', bars = '10000'] = process.argv.slice(2);
const read = readScore(longPiece(kind as LongPiece, Number(bars)), 'long.musicxml');
if (!read.ok) throw new Error(read.issue.message);
const start = performance.now();
const analysis = analysisOf(read.value.score);
void [analysis.sameness, analysis.sections, analysis.payOff, analysis.families, analysis.harmony, analysis.corners];
proposeWay(analysis, { level: 'intermediate', school: null });
process.stdout.write(`${performance.now() - start} ${process.resourceUsage().maxRSS / 1000}\n`);
