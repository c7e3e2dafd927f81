/** How much one day of one task can hold. */
export const MOST_AT_HOME = {
  minutes: 240,
  times: 255,
  tempo: 400,
  ticks: 15,
  steps: 15,
  note: 1000,
  days: 14,
} as const;
/** Tasks of a week whose progress is kept; more are not on a sheet. */
export const MOST_TASKS = 31;
