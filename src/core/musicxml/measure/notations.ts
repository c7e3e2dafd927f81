import type { Lyric, NoteMarks, TieRole } from '../../score';
import { childText, childrenNamed, type XmlElement } from '../xml-tree';
import { integer } from './integer';

const NO_MARKS: NoteMarks = {
  fingers: [],
  strings: [],
  frets: [],
  technical: [],
  articulations: [],
  ornaments: [],
  slurs: [],
  lyrics: [],
  dynamics: [],
  fermata: false,
  arpeggiate: false,
};

function readLyric(element: XmlElement): Lyric {
  const syllabic = childText(element, 'syllabic');
  return {
    verse: element.attributes['number'] ?? '1',
    text: childrenNamed(element, 'text')
      .map((t) => t.text)
      .join(' '),
    syllabic: syllabic === 'begin' || syllabic === 'middle' || syllabic === 'end' ? syllabic : 'single',
  };
}

/** What stands at a note: fingers, articulations, ornaments, slurs, words; and the ties it shows. */
export function readMarks(note: XmlElement): { marks: NoteMarks; tied: readonly string[] } {
  const notations = childrenNamed(note, 'notations');
  const lyrics = childrenNamed(note, 'lyric');
  if (notations.length === 0 && lyrics.length === 0) return { marks: NO_MARKS, tied: [] };
  const fingers: string[] = [];
  const strings: number[] = [];
  const frets: number[] = [];
  const technical: string[] = [];
  const articulations: string[] = [];
  const ornaments: { kind: string; accidentals: string[] }[] = [];
  const slurs: { role: 'start' | 'continue' | 'stop'; number: string }[] = [];
  const dynamics: string[] = [];
  const tied: string[] = [];
  let fermata = false;
  let arpeggiate = false;
  for (const group of notations)
    for (const mark of group.children)
      switch (mark.name) {
        case 'tied':
          tied.push(mark.attributes['type'] ?? '');
          break;
        case 'slur': {
          const role = mark.attributes['type'];
          if (role === 'start' || role === 'stop' || role === 'continue')
            slurs.push({ role, number: mark.attributes['number'] ?? '1' });
          break;
        }
        case 'articulations':
          for (const a of mark.children) articulations.push(a.name);
          break;
        case 'ornaments':
          for (const o of mark.children)
            if (o.name === 'accidental-mark') ornaments[ornaments.length - 1]?.accidentals.push(o.text.trim());
            else if (o.name !== 'wavy-line') ornaments.push({ kind: o.name, accidentals: [] });
          break;
        case 'technical':
          for (const t of mark.children)
            if (t.name === 'fingering') fingers.push(t.text.trim());
            else if (t.name === 'string') strings.push(integer(t.text) ?? 0);
            else if (t.name === 'fret') frets.push(integer(t.text) ?? 0);
            else technical.push(t.name);
          break;
        case 'dynamics':
          for (const d of mark.children) dynamics.push(d.name === 'other-dynamics' ? d.text.trim() : d.name);
          break;
        case 'fermata':
          fermata = true;
          break;
        case 'arpeggiate':
          arpeggiate = true;
          break;
        default:
          break;
      }
  return {
    marks: {
      fingers,
      strings,
      frets,
      technical,
      articulations,
      ornaments,
      slurs,
      lyrics: lyrics.map(readLyric),
      dynamics,
      fermata,
      arpeggiate,
    },
    tied,
  };
}

/** The part of a note in a tie: by its sound, else by what is shown. */
export function tieRole(note: XmlElement, tied: readonly string[]): TieRole | null {
  const roles = childrenNamed(note, 'tie').map((t) => t.attributes['type'] ?? '');
  const all = roles.length > 0 ? roles : tied;
  const starts = all.includes('start');
  const stops = all.includes('stop');
  if (starts && stops) return 'continue';
  if (all.includes('continue')) return 'continue';
  return starts ? 'start' : stops ? 'stop' : null;
}
