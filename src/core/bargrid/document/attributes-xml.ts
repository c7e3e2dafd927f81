import { meterXml } from '../../musicxml';
import type { Key } from '../../score';
import type { DraftBar, DraftPart } from '../draft';

const keyXml = (key: Key): string =>
  `<key><fifths>${key.fifths}</fifths>${key.mode && key.mode !== 'none' ? `<mode>${key.mode}</mode>` : ''}</key>`;

const clefsXml = ({ staves }: DraftPart): string =>
  `${staves.length > 1 ? `<staves>${staves.length}</staves>` : ''}${staves
    .map(
      ({ clef }, s) =>
        `<clef${staves.length > 1 ? ` number="${s + 1}"` : ''}><sign>${clef.sign}</sign><line>${clef.line}</line>${clef.octaveChange === 0 ? '' : `<clef-octave-change>${clef.octaveChange}</clef-octave-change>`}</clef>`,
    )
    .join('')}`;

const transposeXml = ({ transpose }: DraftPart): string =>
  transpose === null
    ? ''
    : `<transpose><diatonic>${transpose.diatonic}</diatonic><chromatic>${transpose.chromatic}</chromatic>${transpose.octaveChange === 0 ? '' : `<octave-change>${transpose.octaveChange}</octave-change>`}</transpose>`;

/** Key and meter where they change; in the first bar divisions, staves, clefs and transposition, too. */
export function attributesXml(bar: DraftBar, part: DraftPart, first: boolean, divisions: number): string {
  if (!first && !bar.key && !bar.meter) return '';
  return `<attributes>${first ? `<divisions>${divisions}</divisions>` : ''}${bar.key ? keyXml(bar.key) : ''}${bar.meter ? meterXml(bar.meter) : ''}${first ? `${clefsXml(part)}${transposeXml(part)}` : ''}</attributes>`;
}
