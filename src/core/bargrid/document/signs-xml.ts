import { escapeXml } from '../../musicxml';
import type { DraftBar } from '../draft';

/** What stands on the bar lines and over the ends of a bar. */
export function signsXml(bar: DraftBar): { left: string; start: string; end: string; right: string } {
  const ending = (numbers: readonly number[] | null, type: string): string =>
    numbers ? `<ending number="${numbers.join(',')}" type="${type}"/>` : '';
  const left =
    bar.repeatStart || bar.endingStart
      ? `<barline location="left">${bar.repeatStart ? '<bar-style>heavy-light</bar-style>' : ''}${ending(bar.endingStart, 'start')}${bar.repeatStart ? '<repeat direction="forward"/>' : ''}</barline>`
      : '';
  const direction = (type: string, sound: string): string =>
    `<direction placement="above"><direction-type>${type}</direction-type><sound ${sound}/></direction>`;
  const start = `${bar.rehearsal === null ? '' : `<direction placement="above"><direction-type><rehearsal>${escapeXml(bar.rehearsal)}</rehearsal></direction-type></direction>`}${
    bar.segno ? direction('<segno/>', 'segno="segno"') : ''
  }${bar.coda ? direction('<coda/>', 'coda="coda"') : ''}`;
  const jumpSound = bar.jump !== null && /^d\.?\s?s/i.test(bar.jump) ? 'dalsegno="segno"' : 'dacapo="yes"';
  const end = `${bar.toCoda ? direction('<words>To Coda</words>', 'tocoda="coda"') : ''}${bar.fine ? direction('<words>Fine</words>', 'fine="yes"') : ''}${
    bar.jump === null ? '' : direction(`<words>${escapeXml(bar.jump)}</words>`, jumpSound)
  }`;
  const style = bar.repeatEnd !== null ? 'light-heavy' : bar.doubleBar;
  const right =
    style || bar.endingStop
      ? `<barline location="right">${style ? `<bar-style>${style}</bar-style>` : ''}${ending(bar.endingStop, 'stop')}${
          bar.repeatEnd === null
            ? ''
            : `<repeat direction="backward"${bar.repeatEnd === 2 ? '' : ` times="${bar.repeatEnd}"`}/>`
        }</barline>`
      : '';
  return { left, start, end, right };
}
