import { expose } from 'comlink';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { fail, ok } from '@/core/result';
import { connect, flat } from './connection';

/** A worker that runs here, on one end of a channel. */
class WorkerHere extends EventTarget {
  private readonly ends = new MessageChannel();
  ended = false;
  constructor(api: object) {
    super();
    expose(api, this.ends.port1);
    this.ends.port2.start();
  }
  postMessage(message: unknown, transfer: Transferable[] = []): void {
    this.ends.port2.postMessage(message, transfer);
  }
  override addEventListener(type: string, listener: EventListener): void {
    if (type === 'message') this.ends.port2.addEventListener('message', listener);
    else super.addEventListener(type, listener);
  }
  override removeEventListener(type: string, listener: EventListener): void {
    if (type === 'message') this.ends.port2.removeEventListener('message', listener);
    else super.removeEventListener(type, listener);
  }
  terminate(): void {
    this.ended = true;
    this.ends.port1.close();
    this.ends.port2.close();
  }
}

interface Api {
  double(n: number): Promise<number>;
  never(): Promise<number>;
  breaks(): Promise<number>;
}
const API = {
  double: (n: number) => n * 2,
  never: () => new Promise<number>(() => undefined),
  breaks: (): number => {
    throw new Error('inside');
  },
};

describe('a connection to a worker', () => {
  let started: WorkerHere[] = [];
  const start = (): Worker => {
    const worker = new WorkerHere(API);
    started.push(worker);
    return worker as unknown as Worker;
  };
  const connection = () => connect<Api>('Counting', start, 1000);
  beforeEach(() => {
    started = [];
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  });
  afterEach(() => {
    vi.useRealTimers();
    for (const worker of started) worker.terminate();
  });

  it('begins the worker when it is first asked, and asks the same one again', async () => {
    const counting = connection();
    expect(started).toHaveLength(0);
    expect(await counting.ask((api) => api.double(21))).toEqual(ok(42));
    expect(await counting.ask((api) => api.double(4))).toEqual(ok(8));
    expect(started).toHaveLength(1);
  });
  it('gives each of several questions its own answer', async () => {
    const counting = connection();
    const answers = await Promise.all([1, 2, 3].map((n) => counting.ask((api) => api.double(n))));
    expect(answers).toEqual([ok(2), ok(4), ok(6)]);
  });
  it('comes back with a sentence when the work fails, and begins anew with the next question', async () => {
    const counting = connection();
    expect(await counting.ask((api) => api.breaks())).toMatchObject({ ok: false, issue: { code: 'worker-failed' } });
    expect(started[0]?.ended).toBe(true);
    expect(await counting.ask((api) => api.double(1))).toEqual(ok(2));
    expect(started).toHaveLength(2);
  });
  it('is stopped when it takes too long, and says of what', async () => {
    const counting = connection();
    const answer = counting.ask((api) => api.never());
    vi.advanceTimersByTime(999);
    expect(started[0]?.ended).toBe(false);
    vi.advanceTimersByTime(1);
    expect(await answer).toMatchObject({ ok: false, issue: { code: 'worker-too-long' } });
    expect((await answer).ok || (await answer)).toMatchObject({
      issue: { message: expect.stringMatching(/^Counting took too long/) },
    });
    expect(started[0]?.ended).toBe(true);
  });
  it('may be given more time for one question', async () => {
    const counting = connection();
    const answer = counting.ask((api) => api.never(), 5000);
    vi.advanceTimersByTime(4999);
    expect(started[0]?.ended).toBe(false);
    vi.advanceTimersByTime(1);
    expect((await answer).ok).toBe(false);
  });
  it('leaves no question open when it ends: those that wait are told why', async () => {
    const counting = connection();
    const waiting = [counting.ask((api) => api.never()), counting.ask((api) => api.never(), 9000)];
    vi.advanceTimersByTime(1000);
    expect((await Promise.all(waiting)).map((a) => !a.ok && a.issue.code)).toEqual([
      'worker-too-long',
      'worker-too-long',
    ]);
    const stopped = counting.ask((api) => api.never());
    counting.end();
    expect(await stopped).toMatchObject({
      ok: false,
      issue: { code: 'worker-failed', message: 'Counting was stopped.' },
    });
  });
  it('ends its questions when the worker itself breaks down', async () => {
    const counting = connection();
    const waiting = counting.ask((api) => api.never());
    const broken = new Event('error', { cancelable: true });
    started[0]?.dispatchEvent(broken);
    expect(await waiting).toMatchObject({ ok: false, issue: { code: 'worker-failed' } });
    // It is said on screen; the console need not say it too.
    expect(broken.defaultPrevented).toBe(true);
    expect(await counting.ask((api) => api.double(5))).toEqual(ok(10));
  });
  it('is not stopped by the time limit of a worker before it', async () => {
    const counting = connection();
    const first = counting.ask((api) => api.never());
    counting.end();
    await first;
    expect(await counting.ask((api) => api.double(1))).toEqual(ok(2));
    vi.advanceTimersByTime(2000);
    expect(started[1]?.ended).toBe(false);
  });
  it('ends quietly when it was never begun', () => expect(() => connection().end()).not.toThrow());
});

describe('a result inside an answer', () => {
  it('is the failure of the worker, or its own', () => {
    expect(flat(ok(ok(3)))).toEqual(ok(3));
    expect(flat(ok(fail('mine', 'No.')))).toMatchObject({ ok: false, issue: { code: 'mine' } });
    expect(flat(fail('worker-failed', 'It broke.'))).toMatchObject({ ok: false, issue: { code: 'worker-failed' } });
  });
});
