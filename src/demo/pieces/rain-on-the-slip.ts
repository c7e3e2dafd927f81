/** A short piece for piano of which the demo has only a photograph of the page. Composed for the demo. */
export const RAIN_ON_THE_SLIP = `X:1
T:Rain on the Slip
C:Oak Rungs demo
M:3/4
L:1/8
Q:1/4=92
%%score {1 2}
V:1 clef=treble name=""
V:2 clef=bass
K:F
V:1
!p!A2 c2 f2 | e2 d2 c2 | B2 d2 g2 | f4 e2 | A2 c2 f2 | e2 d2 c2 | B2 G2 E2 | F6 |
!mf!c2 cd ed | c2 A2 F2 | d2 de fe | d2 B2 G2 | c2 cd ed | c2 A2 f2 | e2 c2 B2 | A4 G2 ||
!p!A2 c2 f2 | e2 d2 c2 | B2 d2 g2 | f4 e2 | A2 c2 f2 | e2 d2 c2 | B2 G2 E2 | F6 |]
V:2
F,2 C2 A,2 | F,2 C2 A,2 | G,2 D2 B,2 | C,2 G,2 C2 | F,2 C2 A,2 | F,2 C2 A,2 | G,2 B,2 C2 | F,6 |
A,2 C2 A,2 | F,2 A,2 C2 | B,2 D2 B,2 | G,2 B,2 D2 | A,2 C2 A,2 | F,2 A,2 D2 | G,2 C2 E2 | F,2 C2 C,2 ||
F,2 C2 A,2 | F,2 C2 A,2 | G,2 D2 B,2 | C,2 G,2 C2 | F,2 C2 A,2 | F,2 C2 A,2 | G,2 B,2 C2 | F,6 |]
`;
