/** Builds the program of the file for home, before the application is built. */
import { buildHomeFile } from './build-home-file';

await buildHomeFile();
