import { child, childText, type XmlElement } from '../xml-tree';

const KINDS: Readonly<Record<string, string>> = {
  major: '',
  minor: 'm',
  augmented: '+',
  diminished: 'dim',
  dominant: '7',
  'major-seventh': 'maj7',
  'minor-seventh': 'm7',
  'diminished-seventh': 'dim7',
  'augmented-seventh': '+7',
  'half-diminished': 'm7b5',
  'major-minor': 'm(maj7)',
  'major-sixth': '6',
  'minor-sixth': 'm6',
  'dominant-ninth': '9',
  'major-ninth': 'maj9',
  'minor-ninth': 'm9',
  'suspended-second': 'sus2',
  'suspended-fourth': 'sus4',
  power: '5',
};

const alterSign = (text: string | undefined): string => (text === '1' ? '#' : text === '-1' ? 'b' : '');

/** Reads `<harmony>` as a lead-sheet symbol: `Am7/G`, `N.C.`; null where nothing can be read. */
export function readHarmony(element: XmlElement): string | null {
  const root = child(element, 'root');
  const kind = child(element, 'kind');
  if (!root || !kind) return kind?.text.trim() === 'none' ? 'N.C.' : null;
  const bass = child(element, 'bass');
  const name = `${childText(root, 'root-step') ?? '?'}${alterSign(childText(root, 'root-alter'))}`;
  const suffix = KINDS[kind.text.trim()] ?? kind.attributes['text'] ?? '';
  return `${name}${suffix}${bass ? `/${childText(bass, 'bass-step') ?? '?'}${alterSign(childText(bass, 'bass-alter'))}` : ''}`;
}
