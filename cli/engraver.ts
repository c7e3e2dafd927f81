import { engraverOptions, isSafeDrawing, type EngraveOptions } from '../src/core/engraving';
import { fail, ok, type Result } from '../src/core/result';

/** Draws a document, one drawing a line. */
export type Engraver = (document: string, options: EngraveOptions) => Result<readonly string[]>;

/** The engraver under Node. Codes: `engrave-failed`, `engrave-unsafe`. */
export async function startEngraver(): Promise<Engraver> {
  const [{ default: start }, { VerovioToolkit }] = await Promise.all([import('verovio/wasm'), import('verovio/esm')]);
  const kit = new VerovioToolkit(await start());
  return (document, options) => {
    kit.setOptions(engraverOptions(options));
    if (!kit.loadData(document)) return fail('engrave-failed', 'These bars cannot be drawn.');
    const lines = Array.from({ length: kit.getPageCount() }, (_, i) => kit.renderToSVG(i + 1));
    return lines.every(isSafeDrawing)
      ? ok(lines)
      : fail('engrave-unsafe', 'The drawing of these bars holds something that is not music.');
  };
}
