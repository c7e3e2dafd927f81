/** Viola study with near repeats. Composed for the demo. */
export const HEATHER_STUDY = `X:1
T:Heather on the Headland
C:Oak Rungs demo
M:4/4
L:1/8
Q:"Steady" 1/4=92
V:1 clef=alto name="Viola"
K:D
V:1
!mf!D2 (FA) d2 A2 | B2 (GB) A2 F2 | G2 (EG) F2 D2 | E4 A,4 |
D2 (FA) d2 A2 | B2 (GB) A2 F2 | G2 (EG) A2 C2 | D8 ||
!p!(F2 A2) (d2 c2) | (B2 G2) (E2 G2) | (F2 A2) (D2 F2) | E2 ^G2 A4 ||
!mf!D2 (FA) d2 A2 | B2 (GB) A2 F2 | G2 (BG) A2 C2 | D8 |]
`;
