/** Recorder round in two voices, the second two bars later. Composed for the demo. */
export const FERRY_ROUND = `X:1
T:Ferry Round
C:Oak Rungs demo
M:4/4
L:1/4
Q:"Lightly" 1/4=100
V:1 clef=treble name="Recorder"
K:C
V:1
e d c2 | d e f2 | e g f e | d4 | c e g2 | a g e2 | f d e d | c4 |]
`;
