import { expose } from 'comlink';
import { VerovioToolkit } from 'verovio/esm';
import { fail, ok } from '@/core/result';
import type { EngraverWorkerApi } from './protocol';

let toolkit: VerovioToolkit | null = null;

/**
 * The program lies beside the application as a file of its own, compiled while it comes in (see scripts/engraver.ts).
 */
const PROGRAM = '/engraver.mjs';

async function readyToolkit(): Promise<VerovioToolkit> {
  if (toolkit === null) {
    const { default: start } = (await import(/* turbopackIgnore: true */ /* webpackIgnore: true */ PROGRAM)) as {
      default: () => Promise<unknown>;
    };
    toolkit = new VerovioToolkit(await start());
  }
  return toolkit;
}

/** Tags that can run, load or leave: none of them is ever in engraved music. */
const UNSAFE = /<\s*(script|foreignObject|iframe|image|a)\b|<[^>]*\s(on\w+|href)\s*=\s*["'](?!#)/i;

const api: EngraverWorkerApi = {
  async engrave(document, { width, scale }) {
    try {
      const kit = await readyToolkit();
      kit.setOptions({
        // A page no higher than one system gives one SVG a system, so that lanes can stand between them.
        pageWidth: Math.max(100, Math.round((width * 100) / scale)),
        pageHeight: 100,
        adjustPageHeight: true,
        scale,
        breaks: 'auto',
        header: 'none',
        footer: 'none',
        pageMarginTop: 0,
        pageMarginBottom: 0,
        pageMarginLeft: 0,
        pageMarginRight: 0,
        // Words are drawn in the application's own face, which is wider than the one the engraver measures with.
        lyricSize: 3.5,
        lyricWordSpace: 3,
        spacingNonLinear: 0.55,
        minLastJustification: 0.6,
        svgViewBox: false,
        svgRemoveXlink: true,
      });
      if (!kit.loadData(document))
        return fail('engrave-failed', 'This music cannot be drawn; the rest of the application still works with it.');
      const systems: string[] = [];
      const count = kit.getPageCount();
      for (let page = 1; page <= count; page += 1) systems.push(kit.renderToSVG(page));
      if (systems.some((svg) => UNSAFE.test(svg)))
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
