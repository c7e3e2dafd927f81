import { spellMidi, type AttributeChange, type Clef, type Key, type Meter, type StringTuning } from '../../score';
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

/** How staves are drawn. */
export interface StaffLook {
  readonly small: boolean;
  readonly tunings: readonly StringTuning[];
}

/** Size of the staves of other parts, in percent of the player's. */
const SMALL = 62;
const STRINGS_OF_GUITAR = 6;

const tuningXml = (keys: readonly number[]): string =>
  [...keys]
    .reverse()
    .map((key, i) => {
      const { step, alter, octave } = spellMidi(key, 0);
      return `<staff-tuning line="${i + 1}"><tuning-step>${step}</tuning-step>${alter === 0 ? '' : `<tuning-alter>${alter}</tuning-alter>`}<tuning-octave>${octave}</tuning-octave></staff-tuning>`;
    })
    .join('');

/** Size and lines of a staff, where they are not the usual ones. */
function staffDetailsXml(staff: number, clef: Clef, { small, tunings }: StaffLook): string {
  const isTab = clef.sign === 'TAB';
  if (!small && !isTab) return '';
  const keys = tunings.find((t) => t.staff === staff)?.keys ?? [];
  const lines = isTab ? `<staff-lines>${keys.length || STRINGS_OF_GUITAR}</staff-lines>${tuningXml(keys)}` : '';
  return `<staff-details number="${staff}">${lines}${small ? `<staff-size>${SMALL}</staff-size>` : ''}</staff-details>`;
}

/** What is in force, written out whole. */
export function attributesXml(state: Attributes, ticksPerQuarter: number, staves: number, look: StaffLook): string {
  const keys =
    state.keys.size === 0
      ? keyXml({ fifths: 0, mode: null }, null)
      : [...state.keys].map(([staff, key]) => keyXml(key, staff)).join('');
  const all = Array.from({ length: staves }, (_, i) => ({
    staff: i + 1,
    clef: state.clefs.get(i + 1) ?? DEFAULT_CLEF,
  }));
  const clefs = all.map(({ staff, clef }) => clefXml(clef, staff)).join('');
  const details = all.map(({ staff, clef }) => staffDetailsXml(staff, clef, look)).join('');
  return `<attributes><divisions>${ticksPerQuarter}</divisions>${keys}${state.meter ? meterXml(state.meter) : ''}${staves > 1 ? `<staves>${staves}</staves>` : ''}${clefs}${details}</attributes>`;
}

/** Just what changes. */
export function changeXml(change: AttributeChange): string {
  const keys = (change.keys ?? []).map((k) => keyXml(k.key, k.staff)).join('');
  const clefs = (change.clefs ?? []).map((c) => clefXml(c.clef, c.staff)).join('');
  const body = `${keys}${change.meter ? meterXml(change.meter) : ''}${clefs}`;
  return body === '' ? '' : `<attributes>${body}</attributes>`;
}
