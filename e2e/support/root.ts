import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project. */
export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
