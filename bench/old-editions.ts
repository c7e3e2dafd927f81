/**
 * Short public-domain passages with the fingering of old editions, typed from memory of the common prints named beside
 * each, and the share of notes on which the proposal agrees. Teachers agree among themselves on about seven notes of
 * ten.
 */
import { fingerScore } from '../src/core/fingering';
import { openAbc } from '../src/core/studio';

interface Passage {
  readonly name: string;
  readonly hand: 'right' | 'left';
  readonly abc: string;
  readonly fingers: string;
}

const PASSAGES: readonly Passage[] = [
  // C. F. Peters and others, Notenbüchlein für Anna Magdalena Bach: Menuet in G, bars 1–4, right hand (from memory).
  {
    name: 'Petzold, Menuet in G, 1–4',
    hand: 'right',
    abc: 'M:3/4\nL:1/8\nQ:1/4=112\nK:G\nd2 GABc | d2 G2 G2 | e2 cdef | g2 G2 G2 |',
    fingers: '5123451131234511',
  },
  // The same, bars 5–8.
  {
    name: 'Petzold, Menuet in G, 5–8',
    hand: 'right',
    abc: 'M:3/4\nL:1/8\nQ:1/4=112\nK:G\nc2 dcBA | B2 cBAG | F2 GABG | A6 |',
    fingers: '4543234321212312',
  },
  // Hanon, The Virtuoso Pianist (1873), no. 1, first two bars of each hand.
  {
    name: 'Hanon 1, right',
    hand: 'right',
    abc: 'M:2/4\nL:1/16\nQ:1/4=60\nK:C\nCEFG AGFE | DFGA BAGF |',
    fingers: '1234543212345432',
  },
  {
    name: 'Hanon 1, left',
    hand: 'left',
    abc: 'M:2/4\nL:1/16\nQ:1/4=60\nK:C\nC,E,F,G, A,G,F,E, | D,F,G,A, B,A,G,F, |',
    fingers: '5432123454321234',
  },
  // Clementi, Sonatina op. 36 no. 1, opening (Peters, Köhler's edition, from memory). One finger was missing in bar 3.
  {
    name: 'Clementi op. 36/1, 1–4',
    hand: 'right',
    abc: 'M:4/4\nL:1/8\nQ:1/4=120\nK:C\nc2 ec G2 G2 | c2 ec G2 g2 | fedc BcBc | dcBA G4 |',
    fingers: '24211 24215 43212121 54321'.replace(/ /g, ''),
  },
  // Beethoven, Für Elise, opening (Breitkopf, from memory); what follows is printed in several ways and was dropped.
  {
    name: 'Für Elise, opening',
    hand: 'right',
    abc: 'M:3/8\nL:1/16\nQ:1/8=120\nK:Am\ne^d | e^deB=dc | A2 z',
    fingers: '545452431',
  },
  // Any method: C major five-finger tune (Ode to Joy in C).
  {
    name: 'Ode to Joy in C, 1–4',
    hand: 'right',
    abc: 'M:4/4\nL:1/4\nQ:1/4=100\nK:C\nE E F G | G F E D | C C D E | E>D D2 |',
    fingers: '334554321123322',
  },
  // Alberti bass, Mozart K. 545, bars 1–2, left hand (Lebert's edition, from memory).
  {
    name: 'Mozart K. 545, left, 1–2',
    hand: 'left',
    abc: 'M:4/4\nL:1/8\nQ:1/4=120\nK:C\nCGEG CGEG | DGFG CGEG |',
    fingers: '5131513151215131',
  },
];

/** Notes whose proposed finger is the printed one, over all passages. */
export function shareOfAgreement(): { readonly agree: number; readonly all: number; readonly by: string } {
  let agree = 0;
  let all = 0;
  const by: string[] = [];
  for (const p of PASSAGES) {
    const opened = openAbc(`X:1\n${p.abc}`, 'passage.abc');
    if (!opened.ok) throw new Error(opened.issue.message);
    const { notes } = fingerScore(opened.value.read.score, { instrument: 'piano', hand: p.hand });
    const mine = [...p.fingers].filter((f, i) => notes[i]?.finger === f).length;
    agree += mine;
    all += p.fingers.length;
    by.push(`${p.name} ${mine}/${p.fingers.length}`);
  }
  return { agree, all, by: by.join('; ') };
}
