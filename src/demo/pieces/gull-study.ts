/** Flute study printed without breath marks, composed for the demo. */
export const GULL_STUDY = `X:1
T:Gull over the Breakwater
C:Oak Rungs demo
M:3/4
L:1/8
Q:"Flowing" 1/4=96
V:1 clef=treble name="Flute"
K:G
V:1
|: !mf!(D2 G2 A2) | (Bc d2 B2) | (A2 F2 D2) | G6 | (D2 G2 A2) | (Bc d2 g2) | (f2 e2 c2) | d6 :|
|: !p!(e2 dc B2) | (d2 cB A2) | (c2 BA G2) | F4 D2 | (e2 dc B2) | (d2 cB A2) | (GA Bc Ad) | G6 :|
`;
