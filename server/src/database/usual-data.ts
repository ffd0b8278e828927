/** Where the data is kept unless somebody says otherwise. */
import { homedir } from 'node:os';
import { join } from 'node:path';

/** The directory that holds `own` and `demo`. */
export const usualDirectory = (environment: NodeJS.ProcessEnv): string =>
  process.getuid?.() === 0
    ? '/var/lib/clever-drawer'
    : join(environment['XDG_DATA_HOME'] ?? join(homedir(), '.local/share'), 'clever-drawer');
