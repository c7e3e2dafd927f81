/** Cello piece with a change of position. Composed for the demo. */
export const HARBOUR_WALL = `X:1
T:Along the Harbour Wall
C:Oak Rungs demo
M:3/4
L:1/4
Q:"Singing" 1/4=80
V:1 clef=bass name="Cello"
K:G
V:1
!p!(G,, B,, D,) | G,2 D, | (E, F, G,) | D,3 | (G,, B,, D,) | G,2 B, | (A, G, F,) | G,3 ||
!mf!(A, B, C) | D2 A, | !<(!(D E F)!<)! | !f!(E2 C) | (B, D G,) | C2 A, | !p!(G, F, A,) | G,3 |]
`;
