import { describe, expect, it } from 'vitest';
import { withoutEdges } from './page-edge';

const [WIDTH, HEIGHT, SPACE] = [200, 120, 5];
const MUSIC = { left: 40, right: 160, top: 50, bottom: 80 };

/** A picture in which some rectangles are black. */
function drawn(...black: readonly (readonly [number, number, number, number])[]) {
  const gray = new Uint8Array(WIDTH * HEIGHT).fill(255);
  for (const [left, top, right, bottom] of black)
    for (let y = top; y < bottom; y += 1) gray.fill(0, y * WIDTH + left, y * WIDTH + right);
  return { width: WIDTH, height: HEIGHT, gray };
}
const inkOf = ({ gray }: { readonly gray: Uint8Array }): number => gray.filter((v) => v < 128).length;

describe('what lies beside a page', () => {
  it('is taken away where it comes in from the rim', () => {
    expect(inkOf(withoutEdges(drawn([0, 0, WIDTH, 20]), SPACE, [MUSIC]))).toBe(0);
    expect(inkOf(withoutEdges(drawn([0, 0, 15, HEIGHT]), SPACE, [MUSIC]))).toBe(0);
  });
  it('stays where it reaches into the music, where it is small, and where it does not touch the rim', () => {
    const hand = drawn([0, 60, 60, 70]);
    expect(withoutEdges(hand, SPACE, [MUSIC])).toEqual(hand);
    const letter = drawn([0, 10, 8, 20]);
    expect(withoutEdges(letter, SPACE, [MUSIC])).toEqual(letter);
    const title = drawn([50, 5, 150, 30]);
    expect(withoutEdges(title, SPACE, [MUSIC])).toEqual(title);
  });
  it('changes nothing in the picture that it was given', () => {
    const picture = drawn([0, 0, WIDTH, 20]);
    withoutEdges(picture, SPACE, [MUSIC]);
    expect(inkOf(picture)).toBe(WIDTH * 20);
  });
});
