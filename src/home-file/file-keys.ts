import type { RoomKey, RoomKeys } from '@/room';

/** What each key does in the room: the same as in the application, and what page pedals send. */
const KEY_OF: Readonly<Record<string, RoomKey>> = {
  ' ': 'play',
  ArrowRight: 'right',
  Enter: 'right',
  PageDown: 'right',
  ArrowLeft: 'again',
  PageUp: 'again',
  ArrowUp: 'faster',
  ArrowDown: 'slower',
  Backspace: 'back',
  w: 'way',
  f: 'tapLeft',
  j: 'tapRight',
};

const FIELDS = 'input, textarea, select, [role="listbox"], [role="option"]';
const PRESSED = 'button, a[href], summary';

/** Listens for the keys of the room until what it returns is called. */
export function listenForKeys(keys: RoomKeys): () => void {
  const onKey = (event: KeyboardEvent): void => {
    const what = KEY_OF[event.key];
    const { target } = event;
    if (what === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    if (target instanceof Element) {
      const presses = event.key === ' ' || event.key === 'Enter';
      if (target.closest(FIELDS) || (presses && target.closest(PRESSED))) return;
    }
    event.preventDefault();
    keys[what](event);
  };
  document.addEventListener('keydown', onKey);
  return () => document.removeEventListener('keydown', onKey);
}
