/**
 * Writes `tests/growth/former.json`: what the analysis says of every piece that later algorithms are held against. Run
 * it before an algorithm is rewritten, or after an answer was changed on purpose (then say in the commit what changed).
 */
import { writeFileSync } from 'node:fs';
import { comparedPieces, outputsOf, type Outputs } from '../tests/growth/outputs';

const outputs: Record<string, Outputs> = {};
for (const { name, score } of comparedPieces()) outputs[name] = outputsOf(await score());
writeFileSync('tests/growth/former.json', `${JSON.stringify(outputs, null, 2)}\n`);
process.stdout.write(`${Object.keys(outputs).length} pieces\n`);
