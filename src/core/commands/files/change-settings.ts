import { ok } from '../../result';
import { answered, type Settings, type TeachingAnswer } from '../../studio';
import { command, put, type RowToPut } from '../command';

export type SettingsChange = Partial<
  Pick<Settings, 'name' | 'zone' | 'barWord' | 'noteNames' | 'textSize' | 'paper' | 'ownCues'>
> & {
  /** What is said for a gesture: `gesture family` → words; empty words take ours again. */
  readonly gestureCue?: readonly [key: string, words: string];
  /** One answer to how it is taught. */
  readonly answer?: TeachingAnswer;
};

export interface ChangeSettings {
  readonly change: SettingsChange;
  readonly label: string;
}

/**
 * Settings of a studio that has none yet.
 *
 * @example freshSettings().id // → 'studio'
 */
export const freshSettings = (): RowToPut<'settings'> => ({
  id: 'studio',
  name: '',
  barWord: 'bar',
  noteNames: 'american',
  lastBackupAt: null,
});

/** Changes the settings of the studio, from what is stored now. */
export const changeSettings = command({
  asks: () => ({ settings: 'all' }),
  run: (stored, { change, label }: ChangeSettings) => {
    const before = stored.settings[0] ?? freshSettings();
    const { gestureCue, answer, ...fields } = change;
    const others = Object.fromEntries(
      Object.entries(before.gestureCues ?? {}).filter(([key]) => key !== gestureCue?.[0]),
    );
    return ok({
      label,
      changes: [
        put('settings', {
          ...before,
          ...fields,
          ...(answer === undefined ? {} : { teaching: answered(before.teaching, answer) }),
          ...(gestureCue === undefined
            ? {}
            : { gestureCues: gestureCue[1] === '' ? others : { ...others, [gestureCue[0]]: gestureCue[1] } }),
        }),
      ],
    });
  },
});
