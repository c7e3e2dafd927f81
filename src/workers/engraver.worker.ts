import { expose } from 'comlink';
import { VerovioToolkit } from 'verovio/esm';
import { engraverOptions, isSafeDrawing } from '@/core/engraving';
import { fail, ok } from '@/core/result';
import type { EngraverWorkerApi } from './protocol';

let toolkit: VerovioToolkit | null = null;

/**
 * The program lies beside the application as a file of its own, compiled while it comes in (see scripts/engraver.ts).
 * Its address names its version: browsers keep it, and what they made of it, for good.
 */
const PROGRAM = `/engraver.mjs?v=${process.env.ENGRAVER_VERSION ?? ''}`;

async function readyToolkit(): Promise<VerovioToolkit> {
  if (toolkit === null) {
    const { default: start } = (await import(/* turbopackIgnore: true */ /* webpackIgnore: true */ PROGRAM)) as {
      default: () => Promise<unknown>;
    };
    toolkit = new VerovioToolkit(await start());
  }
  return toolkit;
}

const api: EngraverWorkerApi = {
  async engrave(document, options) {
    try {
      const kit = await readyToolkit();
      kit.setOptions(engraverOptions(options));
      if (!kit.loadData(document))
        return fail('engrave-failed', 'This music cannot be drawn; the rest of the application still works with it.');
      const systems: string[] = [];
      const count = kit.getPageCount();
      for (let page = 1; page <= count; page += 1) systems.push(kit.renderToSVG(page));
      if (!systems.every(isSafeDrawing))
        return fail('engrave-unsafe', 'The drawing holds something that is not music; it is not shown.');
      return ok(systems);
    } catch {
      // Its memory is not to be trusted after a failure: the next call makes a new one.
      toolkit = null;
      return fail('engrave-failed', 'This music cannot be drawn; the rest of the application still works with it.');
    }
  },
};

expose(api);
