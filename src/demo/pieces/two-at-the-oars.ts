/** Teacher and student piano duet with repeats and endings. Composed for the demo. */
export const TWO_AT_THE_OARS = `X:1
T:Two at the Oars
C:Oak Rungs demo
M:4/4
L:1/8
Q:"Rowing" 1/4=92
%%score 1 {2 3}
V:1 clef=treble name="Student"
V:2 clef=treble name="Teacher"
V:3 clef=bass
K:C
V:1
|: !mf!c2 e2 g2 e2 | f2 d2 e4 | c2 e2 g2 a2 |1 g8 :|2 g4 c4 |: a2 a2 g2 e2 | f2 f2 e2 c2 | d2 e2 f2 d2 |1 e8 :|2 c8 |]
V:2
|: [EG]4 [EG]4 | [FA]4 [EG]4 | [EG]4 [FA]4 |1 [DG]8 :|2 [DG]4 [EG]4 |: [FA]4 [EG]4 | [DF]4 [CE]4 | [DF]4 [DG]4 |1 [EG]8 :|2 [EG]8 |]
V:3
|: C,4 G,,4 | D,4 C,4 | C,4 F,,4 |1 G,,8 :|2 G,,4 C,4 |: F,,4 C,4 | D,4 A,,4 | D,4 G,,4 |1 C,8 :|2 C,8 |]
`;
