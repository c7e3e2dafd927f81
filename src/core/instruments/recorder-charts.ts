import { chartFrom, type WindChart } from './wind-chart';

/** Baroque ("English") fingering from the lowest note; the thumb is 0, a half hole ½. */
const BAROQUE: readonly string[] = [
  '0123|4567',
  '0123|456 7half',
  '0123|456',
  '0123|45 6half',
  '0123|45',
  '0123|467',
  '0123|56',
  '0123',
  '012|45',
  '012',
  '01|34',
  '01',
  '02',
  '12',
  '2',
  '23|456',
  '½123|45',
  '½123|46',
  '½123|5',
  '½123',
  '½12|4',
  '½12',
  '½12|567',
  '½12|45',
  '½1|45',
];
/** German fingering: the fourth and fifth note simplified, the sharps after them paid for it. */
const GERMAN: readonly string[] = BAROQUE.map(
  (way, i) => ({ 5: '0123|4', 6: '0123|567', 17: '½123|4', 18: '½123|5 7' })[i] ?? way,
);

export const baroque = (name: string, lowest: number): WindChart =>
  chartFrom(name, 'the baroque chart of any recorder tutor', lowest, BAROQUE);
export const german = (name: string, lowest: number): WindChart =>
  chartFrom(name, 'the German chart of any recorder tutor', lowest, GERMAN);
