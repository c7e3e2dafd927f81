/** Guitar chord song with two verses. Composed for the demo. */
export const EARLY_BOAT = `X:1
T:The Early Boat
C:Oak Rungs demo
M:4/4
L:1/4
Q:"Easily" 1/4=96
V:1 clef=treble transpose=-12 name="Guitar"
K:G
V:1
|: "G"G B d B | "C"c e "G"d2 | "G"B d "D7"c A | "G"G4 | "Em"e e d B | "C"c e d2 | "D7"A B c A | "G"G4 :|
w: Out we go at break of day, ropes are wet and cold. Wind is in the wil-low tree, sails are new and bold.
w: Home we come with stars a-bove, lan-terns on the quay. Bread is on the ta-ble top, some of it for me.
`;
