import { describe, expect, it } from 'vitest';
import { turns } from './turns';

/** Work that is done when it is let go on. */
function held(name: string, done: string[]) {
  let goOn: () => void = () => undefined;
  const gate = new Promise<void>((resolve) => (goOn = resolve));
  return {
    work: async () => {
      done.push(`${name} begun`);
      await gate;
      done.push(name);
      return name;
    },
    goOn: () => goOn(),
  };
}

describe('turns', () => {
  it('does one after the other, what is seen before what is only for later', async () => {
    const inTurn = turns();
    const done: string[] = [];
    const first = held('first', done);
    const results = [
      inTurn(first.work),
      inTurn(() => Promise.resolve(void done.push('for later')), { urgency: 'ahead' }),
      inTurn(() => Promise.resolve(void done.push('seen'))),
      inTurn(() => Promise.resolve(void done.push('seen, too'))),
    ];
    first.goOn();
    await Promise.all(results);
    expect(done).toEqual(['first begun', 'first', 'seen', 'seen, too', 'for later']);
  });

  it('leaves out what nobody wants any more when its turn comes', async () => {
    const inTurn = turns();
    const done: string[] = [];
    const first = held('first', done);
    let wanted = true;
    const begun = inTurn(first.work, { isWanted: () => wanted });
    const stale = inTurn(() => Promise.resolve('stale'), { isWanted: () => wanted });
    wanted = false;
    first.goOn();
    // What was begun is ended.
    expect(await begun).toBe('first');
    expect(await stale).toBeNull();
  });

  it('goes on after work that failed', async () => {
    const inTurn = turns();
    const failed = inTurn(() => Promise.reject(new Error('broken')));
    const after = inTurn(() => Promise.resolve('after'));
    await expect(failed).rejects.toThrow('broken');
    expect(await after).toBe('after');
  });
});
