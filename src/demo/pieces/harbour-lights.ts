/** Two-hand piano piece in A B A′, composed for the demo. */
export const HARBOUR_LIGHTS = `X:1
T:Lamps Along the Quay
C:Oak Rungs demo
M:4/4
L:1/8
Q:"Gently" 1/4=84
%%score {1 2}
V:1 clef=treble name="Piano"
V:2 clef=bass
K:D
V:1
!p!A2 Bc d2 A2 | B2 G2 E4 | F2 GA B2 F2 | G2 E2 A4 |
A2 Bc d2 A2 | B2 G2 E2 FG | A2 F2 G2 E2 | D8 ||
!mf!d2 cB c2 F2 | B2 AG A2 D2 | e2 dc d2 B2 | c2 BA B4 |
d2 cB c2 F2 | B2 AG F2 D2 | !<(!E2 FG A2 Bc!<)! | d4 c4 ||
!p!A2 Bc d2 A2 | B2 G2 E4 | F2 GA B2 F2 | G2 E2 A4 |
A2 Bc d2 f2 | e2 c2 A2 FG | A2 F2 E2 C2 | D8 |]
V:2
D,2 A,2 F,2 A,2 | G,4 B,,4 | D,2 F,2 D,2 F,2 | E,4 C,4 |
D,2 A,2 F,2 A,2 | G,4 E,4 | A,,4 A,,4 | D,8 ||
B,,2 F,2 D,2 F,2 | G,,2 D,2 F,,2 A,,2 | G,,4 B,,4 | F,,4 B,,4 |
B,,2 F,2 D,2 F,2 | G,,2 D,2 D,4 | C,4 A,,4 | A,,2 E,2 G,2 E,2 ||
D,2 A,2 F,2 A,2 | G,4 B,,4 | D,2 F,2 D,2 F,2 | E,4 C,4 |
D,2 A,2 F,2 A,2 | G,4 A,4 | A,,4 A,,4 | D,8 |]
`;
