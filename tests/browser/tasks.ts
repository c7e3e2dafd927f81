import { expect, type Page } from '@playwright/test';

/** What a teacher does most, and how many clicks or keys it may take. */
export const TASKS = {
  'bring in and prepare, by pointer': 40,
  'bring in and prepare, by keys': 25,
  'a lesson of five sections, by keys': 25,
  'a week given, by keys': 10,
  'a student added and given a piece': 12,
} as const;
export type Task = keyof typeof TASKS;

/** Does as a teacher does, and counts: a click, a key, a field typed into is one each. */
export function counting(page: Page) {
  let acts = 0;
  return {
    click: async (name: string | RegExp, role: 'button' | 'checkbox' | 'link' | 'option' = 'button'): Promise<void> => {
      acts += 1;
      await page.getByRole(role, { name }).first().click();
    },
    press: async (...keys: readonly string[]): Promise<void> => {
      for (const key of keys) {
        acts += 1;
        await page.keyboard.press(key);
      }
    },
    type: async (field: string, text: string): Promise<void> => {
      acts += 1;
      await page.getByLabel(field).fill(text);
    },
    withinTheTask: (task: Task): void => expect(acts, task).toBeLessThanOrEqual(TASKS[task]),
  };
}
