import type { AttributeChange, Clef, Key, Meter } from '../../score';
import { meterXml } from '../model-xml';

const keyXml = (key: Key, staff: number | null): string =>
  `<key${staff === null ? '' : ` number="${staff}"`}><fifths>${Math.max(-7, Math.min(7, key.fifths))}</fifths>${key.mode ? `<mode>${key.mode}</mode>` : ''}</key>`;

const CLEF_SIGNS = new Set(['G', 'F', 'C', 'percussion', 'TAB']);
const clefXml = (clef: Clef, staff: number): string =>
  `<clef number="${staff}"><sign>${CLEF_SIGNS.has(clef.sign) ? clef.sign : 'G'}</sign><line>${clef.line >= 1 && clef.line <= 5 ? clef.line : 2}</line>${
    clef.octaveChange >= -2 && clef.octaveChange <= 2 && clef.octaveChange !== 0
      ? `<clef-octave-change>${clef.octaveChange}</clef-octave-change>`
      : ''
  }</clef>`;

/** Keys, meter and clefs in force. */
export interface Attributes {
  keys: Map<number | null, Key>;
  meter: Meter | null;
  clefs: Map<number, Clef>;
}

/** Takes a change into what is in force. */
export function fold(into: Attributes, change: AttributeChange): void {
  if (change.keys?.some((k) => k.staff === null)) into.keys.clear();
  for (const k of change.keys ?? []) into.keys.set(k.staff, k.key);
  if (change.meter) into.meter = change.meter;
  for (const c of change.clefs ?? []) into.clefs.set(c.staff, c.clef);
}

export const DEFAULT_CLEF: Clef = { sign: 'G', line: 2, octaveChange: 0 };

/** What is in force, written out whole. */
export function attributesXml(state: Attributes, ticksPerQuarter: number, staves: number): string {
  const keys =
    state.keys.size === 0
      ? keyXml({ fifths: 0, mode: null }, null)
      : [...state.keys].map(([staff, key]) => keyXml(key, staff)).join('');
  const clefs = Array.from({ length: staves }, (_, i) => clefXml(state.clefs.get(i + 1) ?? DEFAULT_CLEF, i + 1)).join(
    '',
  );
  return `<attributes><divisions>${ticksPerQuarter}</divisions>${keys}${state.meter ? meterXml(state.meter) : ''}${staves > 1 ? `<staves>${staves}</staves>` : ''}${clefs}</attributes>`;
}

/** Just what changes. */
export function changeXml(change: AttributeChange): string {
  const keys = (change.keys ?? []).map((k) => keyXml(k.key, k.staff)).join('');
  const clefs = (change.clefs ?? []).map((c) => clefXml(c.clef, c.staff)).join('');
  const body = `${keys}${change.meter ? meterXml(change.meter) : ''}${clefs}`;
  return body === '' ? '' : `<attributes>${body}</attributes>`;
}
