import { add, compare, decimalFraction, fraction, max, multiply, subtract, ZERO, type Fraction } from '../../score';
import { LIMITS } from '../limits';
import type { PartState, Warn } from './part-state';

/** Where reading stands inside a bar, in quarters; times that are not numbers or run out of the bar are said. */
export class Cursor {
  private now: Fraction = ZERO;
  private furthest: Fraction = ZERO;
  private saidNoDivisions = false;

  constructor(
    private readonly state: PartState,
    private readonly warn: Warn,
  ) {}

  get at(): Fraction {
    return this.now;
  }
  /** How far the fullest voice came. */
  get reach(): Fraction {
    return this.furthest;
  }

  /** A `<duration>` in quarters; null, and said, where it cannot be used. */
  lengthOf(text: string | undefined, what: string): Fraction | null {
    if (text === undefined) return null;
    const value = decimalFraction(text);
    if (value === null || value.n < 0) {
      this.warn(
        'bad-duration',
        `${what} has the length "${text.slice(0, 20)}"; it is read from its note value or left out`,
      );
      return null;
    }
    const { divisions } = this.state;
    if (!divisions) {
      if (!this.saidNoDivisions)
        this.warn('no-divisions', 'no divisions are given, so lengths are read from the note values');
      this.saidNoDivisions = true;
      return null;
    }
    const quarters = multiply(value, fraction(divisions.d, divisions.n));
    if (quarters.n / quarters.d > LIMITS.quarters) {
      this.warn('bad-duration', `${what} is longer than ${LIMITS.quarters} quarters; its length is left out`);
      return null;
    }
    return quarters;
  }

  forward(by: Fraction): void {
    this.now = add(this.now, by);
    if (this.now.n / this.now.d > LIMITS.quarters) {
      this.warn('bad-duration', `the bar runs past ${LIMITS.quarters} quarters; it is cut there`);
      this.now = fraction(LIMITS.quarters);
    }
    this.reachTo(this.now);
  }

  back(by: Fraction): void {
    this.now = subtract(this.now, by);
    if (compare(this.now, ZERO) < 0) {
      this.warn('backup-before-bar', 'a backup goes back before the bar; it stops at the bar line');
      this.now = ZERO;
    }
  }

  /** Something sounds up to here, though the cursor stays. */
  reachTo(end: Fraction): void {
    this.furthest = max(this.furthest, end);
  }
}
