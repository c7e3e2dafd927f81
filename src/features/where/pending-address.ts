/**
 * The router hands a changed address back a moment later. Until it does, what was just chosen here counts already, so
 * that fast keys never act on the choice before the last.
 */
interface Pending {
  readonly pathname: string;
  readonly query: string;
}

let pending: Pending | null = null;
const listeners = new Set<() => void>();

const tell = (): void => {
  for (const listener of listeners) listener();
};

export function subscribePending(listener: () => void): () => void {
  if (listeners.size === 0) window.addEventListener('popstate', clearPending);
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0) window.removeEventListener('popstate', clearPending);
  };
}

export const pendingAddress = (): Pending | null => pending;
export const pendingOnServer = (): null => null;

export function putPending(next: Pending): void {
  pending = next;
  tell();
}

/** Forgets an address that has arrived; one that was put in meanwhile stays. */
export function clearArrived(arrived: Pending): void {
  if (pending !== arrived) return;
  pending = null;
  tell();
}

function clearPending(): void {
  if (pending !== null) clearArrived(pending);
}
