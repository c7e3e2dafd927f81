/** The stage Settings: what holds in the whole studio. */
export { SettingsScreen } from './settings-screen';
export { useTextSize } from './use-text-size';
