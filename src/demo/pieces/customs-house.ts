/** Sonatina-like movement for piano with ornaments and modulation. Composed for the demo. */
export const CUSTOMS_HOUSE = `X:1
T:Sonatina of the Customs House
C:Oak Rungs demo
M:4/4
L:1/8
Q:"Allegretto" 1/4=112
%%score {1 2}
V:1 clef=treble name="Piano"
V:2 clef=bass
K:C
V:1
!f!c2 e>d c2 G2 | A2 c>B A2 F2 | (G2 e2) (d2 c2) | d2 Tc2 B4 |
c2 e>d c2 G2 | A2 f>e d2 c2 | B2 d2 F2 B2 | c4 z4 ||
!p!(G2 Bd g2 d2) | e2 Tc2 B2 A2 | (G2 Bd g2 d2) | e2 ^f2 g4 |
.a2 .g.e .c2 .e2 | .d2 .B.G .D2 .G2 | A2 c2 ^F2 A2 | G4 z4 ||
!mf!e2 c>B A2 E2 | F2 A>G F2 D2 | ^G2 B2 e2 d2 | c4 B4 |
c2 A>G F2 C2 | D2 f>e d2 A2 | !<(!B2 d2 f2 e2!<)! | d4 B4 ||
!f!c2 e>d c2 G2 | A2 c>B A2 F2 | (G2 e2) (d2 c2) | d2 Tc2 B4 |
c2 e>d c2 G2 | A2 f>e d2 c2 | B2 d2 F2 B2 | c4 z4 ||
!p!(c2 eg c'2 g2) | a2 Tf2 e2 d2 | (c2 eg c'2 g2) | a2 b2 c'4 |
.d'2 .c'.a .f2 .a2 | .g2 .e.c .G2 .c2 | d2 f2 B2 d2 | c8 |]
V:2
C,G,E,G, C,G,E,G, | F,CA,C F,CA,C | C,G,E,G, C,G,E,G, | G,,D,B,,D, G,,D,B,,D, |
C,G,E,G, C,G,E,G, | D,A,F,A, D,A,F,A, | G,,F,D,F, G,,F,D,F, | C,4 z4 ||
G,2 [B,D]2 G,2 [B,D]2 | C,2 [E,G,]2 D,2 [^F,A,]2 | G,2 [B,D]2 G,2 [B,D]2 | C,2 D,2 G,,4 |
C,2 [E,G,]2 C,2 [E,G,]2 | G,2 [B,D]2 G,2 [B,D]2 | D,2 [^F,C]2 D,2 [^F,C]2 | G,,4 z4 ||
A,,E,C,E, A,,E,C,E, | D,A,F,A, D,A,F,A, | E,B,^G,B, E,B,^G,B, | A,,4 E,4 |
F,,C,A,,C, F,,C,A,,C, | D,A,F,A, D,A,F,A, | G,,F,D,F, G,,F,D,F, | G,,F,D,F, G,,4 ||
C,G,E,G, C,G,E,G, | F,CA,C F,CA,C | C,G,E,G, C,G,E,G, | G,,D,B,,D, G,,D,B,,D, |
C,G,E,G, C,G,E,G, | D,A,F,A, D,A,F,A, | G,,F,D,F, G,,F,D,F, | C,4 z4 ||
C,2 [E,G,]2 C,2 [E,G,]2 | F,2 [A,C]2 G,,2 [F,B,]2 | C,2 [E,G,]2 C,2 [E,G,]2 | F,2 G,2 C,4 |
F,2 [A,C]2 F,2 [A,C]2 | C,2 [E,G,]2 C,2 [E,G,]2 | G,,2 [F,B,]2 G,,2 [F,B,]2 | C,4 C,,4 |]
`;
