import type { Page } from '@playwright/test';

/** From now on every write of this page finds no room, as when the disk is full. */
export const fillStorage = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const full = (): never => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
    const kept = { add: IDBObjectStore.prototype.add, put: IDBObjectStore.prototype.put };
    IDBObjectStore.prototype.add = full;
    IDBObjectStore.prototype.put = full;
    Object.assign(window, { room: () => Object.assign(IDBObjectStore.prototype, kept) });
  });

/** There is room again. */
export const makeRoom = (page: Page): Promise<void> =>
  page.evaluate(() => (window as unknown as { room: () => void }).room());
