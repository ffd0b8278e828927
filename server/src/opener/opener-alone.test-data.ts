/** Opens one LADSPA file and waits: a program to be killed meanwhile. */
import { bareCopy } from '@clever-drawer/core/formats';
import { findConfinement, withoutNamespaces } from './confinement.ts';
import { Opener } from './opener.ts';

const [path = '', how = ''] = process.argv.slice(2);
const confinement = how === 'plain' ? withoutNamespaces('linux') : await findConfinement();
const opener = new Opener({ limit: 60_000, confinement });
await opener.open([{ ...bareCopy('LADSPA', path), binary: path }]);
