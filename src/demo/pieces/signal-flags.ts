/** Trumpet ensemble part built from three rhythm families. Composed for the demo. */
export const SIGNAL_FLAGS = `X:1
T:Signal Flags
C:Oak Rungs demo
M:4/4
L:1/8
Q:"March" 1/4=104
V:1 clef=treble name="Trumpet"
K:C
V:1
!f!c2 c2 G4 | e2 e2 c4 | c2 de g2 e2 | d6 z2 | c2 c2 G4 | e2 e2 c4 | g2 fe d2 e2 | c6 z2 ||
!mf!g2 g2 e4 | f2 f2 d4 | e2 fg a2 f2 | g6 z2 | g2 g2 e4 | f2 f2 d4 | e2 dc B2 G2 | c6 z2 ||
!f!c2 de g2 e2 | f2 ed c2 A2 | B2 cd f2 d2 | e6 z2 | c2 de g2 e2 | a2 gf e2 f2 | g2 fe d2 B2 | !accent!c6 z2 |]
`;
