/** Pre-reading pattern piece for piano: steps up, steps down, one hand after the other. Composed for the demo. */
export const PEBBLE_STEPS = `X:1
T:Pebble Steps
C:Oak Rungs demo
M:4/4
L:1/4
Q:"Walking" 1/4=88
%%score {1 2}
V:1 clef=treble name="Piano"
V:2 clef=bass
K:C
V:1
!mf!C D E2 | E D C2 | z4 | z4 | E F G2 | G F E2 | z4 | C4 |]
V:2
z4 | z4 | C, B,, A,,2 | A,, B,, C,2 | z4 | z4 | G,, A,, B,,2 | C,4 |]
`;
