/** What opening offers to the server and to the command line. */
export { Opener, type OpenerOptions } from './opener.ts';
export { openableHere, programFor, type OpeningMachine } from './openable.ts';
