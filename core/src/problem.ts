/** What can go wrong, as data, and its wording in one place. */
import { printNumber } from './print-number.ts';

/** One thing that went wrong: what (`code`), where (`at`) and the value that was got. */
export type Problem =
  | { code: 'file-missing'; at: string }
  | { code: 'file-too-large'; at: string; got: number; limit: number }
  | { code: 'file-unreadable'; at: string; reason: string }
  | { code: 'outside-place'; at: string }
  | { code: 'damaged'; at: string; line: number | null; detail: string }
  | { code: 'too-much'; at: string; what: string; got: number; limit: number }
  | { code: 'not-a-plugin'; at: string; detail: string }
  /** What opening a copy in a process of its own came to. */
  | { code: 'crashed'; at: string; detail: string }
  | { code: 'timed-out'; at: string; seconds: number }
  | { code: 'load-error'; at: string; detail: string }
  | { code: 'no-entry'; at: string; detail: string }
  | { code: 'refused'; at: string; detail: string }
  /** What was wrong with a copy where it was examined, in that program's words. */
  | { code: 'wrong-elsewhere'; at: string; detail: string }
  /** A line of a file of copies, counted from 1. */
  | { code: 'line-invalid'; at: string; line: number; detail: string }
  | { code: 'no-copies'; at: string }
  | { code: 'copies-cut'; at: string; got: number; copies: number }
  | { code: 'many-gone'; at: string; gone: number; known: number; copies: number }
  /** A document of an order: the path of a value in it, the line where that is known. */
  | { code: 'directory-refused'; at: string; detail: string }
  | { code: 'document-invalid'; at: string; line: number | null; detail: string }
  | { code: 'computer-here'; at: string; name: string }
  | { code: 'computer-stays'; at: string; name: string }
  | { code: 'computer-name-taken'; at: string; name: string; isRemoved: boolean }
  | { code: 'computer-elsewhere'; at: string; name: string }
  | { code: 'not-kept'; at: string; detail: string }
  | { code: 'path-too-long'; at: string; got: number; limit: number }
  | { code: 'link-too-wide'; at: string; to: string }
  | { code: 'field-invalid'; at: string; detail: string }
  | { code: 'body-too-large'; at: string; limit: string }
  | { code: 'encoding-unknown'; at: string; detail: string }
  | { code: 'no-such-address'; at: string }
  | { code: 'database-away'; at: string }
  | { code: 'no-room'; at: string }
  | { code: 'place-missing'; at: string }
  | { code: 'place-is-file'; at: string }
  | { code: 'place-known'; at: string }
  | { code: 'place-holds'; at: string; names: readonly string[] }
  | { code: 'place-whole-disk'; at: string }
  | { code: 'place-unreadable'; at: string; reason: string }
  | { code: 'no-usual-place'; at: string }
  | { code: 'no-places'; at: string }
  | { code: 'scan-running'; at: string }
  | { code: 'no-scan-running'; at: string }
  | { code: 'unknown-record'; at: string; what: string }
  | { code: 'id-taken'; at: string }
  | { code: 'name-empty'; at: string }
  | { code: 'name-too-long'; at: string; most: number }
  | { code: 'holds-no-plugins'; at: string; name: string; form: 'smart' | 'divider' }
  | { code: 'already-there'; at: string; name: string }
  | { code: 'last-cabinet'; at: string; name: string }
  | { code: 'shown-already'; at: string; name: string; cabinet: string }
  | { code: 'stays'; at: string; name: string }
  | { code: 'inside-itself'; at: string; name: string }
  | { code: 'not-a-smart-folder'; at: string; name: string }
  | { code: 'rule-empty'; at: string }
  /**
   * A place in the text of a rule (line and column from 1), what stands there, and what would be
   * understood.
   */
  | {
      code: 'rule-text';
      at: string;
      line: number;
      column: number;
      got: string;
      detail: string;
      known: readonly string[];
    }
  /** Folders that would wait for each other: each asks for the next, the last for the first. */
  | { code: 'rule-circle'; at: string; names: readonly string[] }
  | { code: 'nothing-to-undo'; at: string }
  | { code: 'nothing-to-redo'; at: string }
  | { code: 'cannot-load'; at: string; name: string; reason: string }
  /** A host's reasons for not opening a copy. */
  | { code: 'host-format'; at: string; name: string; got: string; known: readonly string[] }
  | { code: 'host-bits'; at: string; name: string }
  | { code: 'host-file-missing'; at: string; name: string }
  | { code: 'host-setting-missing'; at: string; name: string }
  | { code: 'host-wrong-machine'; at: string; name: string; got: string; machine: string }
  | { code: 'host-no-program'; at: string; name: string; detail: string }
  | { code: 'host-no-licence'; at: string; name: string }
  | { code: 'host-crashed'; at: string; name: string }
  | { code: 'host-silent'; at: string }
  | { code: 'track-full'; at: string; name: string; limit: number }
  | { code: 'not-a-picture'; at: string }
  | { code: 'foreign-host'; at: string }
  | { code: 'key-needed'; at: string }
  | { code: 'foreign-origin'; at: string }
  | { code: 'internal'; at: string };

/** What can go wrong, by name. */
export type ProblemCode = Problem['code'];

/** What may fail answers with one of these two; nothing in core throws for bad input. */
export type Result<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

/** A result that went well. */
export const ok = <T>(value: T): Result<T> => ({ ok: true, value });
/** A result that went wrong. */
export const failed = (...problems: Problem[]): { ok: false; problems: Problem[] } => ({
  ok: false,
  problems,
});

const mebibytes = (bytes: number): string => `${printNumber(Math.ceil(bytes / 1_048_576))} MB`;

type Wording = { [C in ProblemCode]: (problem: Extract<Problem, { code: C }>) => string };

const copiesOf = (count: number): string =>
  count === 1 ? 'one copy' : `${printNumber(count)} copies`;

const wording: Wording = {
  'file-missing': (p) =>
    `${p.at} is named by the plugin but is not there. Installing the plugin again usually mends this.`,
  'file-too-large': (p) =>
    `${p.at} is ${mebibytes(p.got)}, more than the ${mebibytes(p.limit)} such a file can sensibly be. It was not read.`,
  'file-unreadable': (p) => `${p.at} could not be read (${p.reason}).`,
  'outside-place': (p) => `${p.at} is outside the place being scanned, so it was not read.`,
  damaged: (p) => `${p.at} is damaged${p.line === null ? '' : ` at line ${p.line}`}: ${p.detail}`,
  'too-much': (p) =>
    `${p.at} has ${printNumber(p.got)} ${p.what}; ${printNumber(p.limit)} is the most that is read.`,
  crashed: (p) =>
    `${p.at} crashed while it was opened: ${p.detail}. Nothing else was touched by it. A newer version may do better.`,
  'timed-out': (p) =>
    `${p.at} did not answer within ${p.seconds} seconds and was stopped. It may be waiting for a window or the network; try again, or set it aside.`,
  'load-error': (p) => `${p.at} would not load: ${p.detail}.`,
  'no-entry': (p) => `${p.at} is no plugin of its format: ${p.detail}.`,
  refused: (p) => `${p.at} loads, but gives no plugin: ${p.detail}.`,
  'wrong-elsewhere': (p) => p.detail,
  'line-invalid': (p) =>
    `Line ${p.line} is not a copy as the scanner writes it: ${p.detail} Nothing was imported. Was the file cut off or edited?`,
  'no-copies': () =>
    'The file has no copies, so nothing was imported. It should have one line for each copy, as the scanner writes them.',
  'copies-cut': (p) =>
    `The file should have ${copiesOf(p.copies)} and ends after ${printNumber(p.got)}: it is cut off. Nothing was imported.`,
  'many-gone': (p) =>
    `The file has ${copiesOf(p.copies)}, and lacks ${printNumber(p.gone)} of the ${printNumber(p.known)} known on ${p.at}: they would be marked as gone. Nothing was imported.`,
  'computer-here': (p) =>
    `${p.name} is the computer Clever Drawer runs on: scan it instead. For another computer, enter another name.`,
  'computer-stays': (p) => `Clever Drawer runs on ${p.name}. Only other computers can be removed.`,
  'computer-name-taken': (p) =>
    p.isRemoved
      ? `There is a computer called ${p.name} now. Rename that one first.`
      : `There is already a computer called ${p.name}. Choose another name.`,
  'computer-elsewhere': (p) =>
    `${p.name} is another computer: you can file its plugins here, but not open or load them.`,
  'not-kept': (p) =>
    `${p.at} was read, but its facts could not be saved (${p.detail}). Everything else was.`,
  'path-too-long': (p) =>
    `The path ${p.at.slice(0, 80)}… has ${printNumber(p.got)} bytes; ${printNumber(p.limit)} is the most that is read. Move it nearer to its place.`,
  'link-too-wide': (p) =>
    `${p.at} is a link to ${p.to}, which holds the place itself or a whole disk. It was not followed; link to the directory that holds the plugins.`,
  'not-a-plugin': (p) => `${p.at} is not a plugin: ${p.detail}`,
  'field-invalid': (p) => `${p.at}: ${p.detail}`,
  'body-too-large': (p) => `What was sent is larger than ${p.limit}.`,
  'encoding-unknown': (p) => `What was sent cannot be understood: ${p.detail}`,
  'no-such-address': (p) => `There is no address ${p.at}.`,
  'no-room': () =>
    'The data disk is full, so nothing was saved. Free some space; everything saved before is still there.',
  'database-away': () =>
    'The database is not responding, so nothing was changed. Clever Drawer is restarting it; try again in a few seconds.',
  'place-missing': (p) =>
    `There is no directory ${p.at} on this computer. Check the spelling, or whether its disk is plugged in.`,
  'place-is-file': (p) =>
    `${p.at} is a file. A place is the directory that holds the plugins; try the directory above it.`,
  'place-known': (p) => `${p.at} is a place already, or lies inside one.`,
  'place-holds': (p) =>
    `${p.at} holds ${p.names.join(', ')}, which ${p.names.length === 1 ? 'is a place' : 'are places'} already. Remove ${p.names.length === 1 ? 'that one' : 'those'} first, or add the other directories in it one by one.`,
  'place-whole-disk': (p) =>
    `${p.at} is a whole disk. Choose the directory on it that holds the plugins.`,
  'place-unreadable': (p) => `${p.at} may not be read by this program (${p.reason}).`,
  'no-usual-place': () =>
    'None of the directories where plugins usually live exists on this computer. Add the directory you use.',
  'no-places': () => 'There is no place to scan yet. Add one first.',
  'scan-running': () => 'A scan is running already. Stop it first, or wait until it is done.',
  'no-scan-running': () => 'No scan is running.',
  'directory-refused': (p) => `${p.at} cannot be used: ${p.detail}`,
  'document-invalid': (p) =>
    `The document was not read: ${[p.line === null ? '' : `line ${p.line}`, p.at]
      .filter((part) => part !== '')
      .map((part) => `${part}: `)
      .join('')}${p.detail} Nothing was changed.`,
  'unknown-record': (p) => `There is no such ${p.what}; it may have been removed.`,
  'id-taken': (p) => `${p.at} exists already.`,
  'name-empty': () => 'Enter a name.',
  'name-too-long': (p) => `The name is too long. It can have up to ${p.most} characters.`,
  'holds-no-plugins': (p) =>
    p.form === 'smart'
      ? `${p.name} fills itself by its rule, so you cannot file in it by hand. Change its rule instead.`
      : `${p.name} is a divider and holds no plugins. Choose a folder beside it.`,
  'already-there': (p) => `They are already in ${p.name}.`,
  'last-cabinet': (p) =>
    `${p.name} is the only cabinet. Make another one first; a computer needs one to file in.`,
  'shown-already': (p) => `${p.name} is in ${p.cabinet} already.`,
  stays: (p) => `${p.name} stays: every cabinet has it.`,
  'inside-itself': (p) => `${p.name} cannot be moved into itself.`,
  'not-a-smart-folder': (p) => `${p.name} is not a smart folder and has no rule.`,
  'rule-empty': () => 'A rule needs at least one condition.',
  'rule-text': (p) =>
    `Line ${p.line}, column ${p.column}${p.got === '' ? '' : `, at “${p.got}”`}: ${p.detail}${p.known.length === 0 ? '' : ` Understood ${p.known.length === 1 ? 'is' : 'are'} ${p.known.join(', ')}.`}`,
  'rule-circle': (p) =>
    `${p.names[0] ?? 'A folder'} would depend on itself: ${p.names.join(' asks for ')}. Remove one of them from the rule.`,
  'nothing-to-undo': () => 'There is nothing to undo.',
  'nothing-to-redo': () => 'There is nothing to redo.',
  'cannot-load': (p) => `${p.name} cannot be loaded here: ${p.reason}.`,
  'host-format': (p) =>
    `The session does not support ${p.got}, so ${p.name} was not opened. It supports ${p.known.join(', ') || 'no formats'}: choose another copy, or change the supported formats.`,
  'host-bits': (p) =>
    `${p.name} is a 32-bit plugin, and the session supports only 64-bit ones. Choose another copy, or let the session include 32-bit plugins.`,
  'host-file-missing': (p) =>
    `${p.name} is gone: ${p.at} no longer exists. Scan again, or choose another copy.`,
  'host-setting-missing': (p) =>
    `The setting ${p.name} is gone: ${p.at} no longer exists. Scan again, or load the plugin without it.`,
  'host-wrong-machine': (p) =>
    `${p.name} is made for another machine (${p.got}); this one is ${p.machine}. Choose another copy.`,
  'host-no-program': (p) => `${p.name} could not be opened: ${p.detail}`,
  'host-no-licence': (p) =>
    `${p.name} reports no licence on this computer, so it was closed again. Set its licence on its page to stop offering it.`,
  'host-crashed': (p) =>
    `${p.name} crashed while it was opened and took the session with it. The session has been restored.`,
  'host-silent': () => 'The session is not responding. Its slots are safe; try again in a moment.',
  'track-full': (p) =>
    `${p.name} holds ${p.limit} plugins already, which is the most. Empty a slot first.`,
  'not-a-picture': () =>
    'That is not a picture that can be read. Use a PNG, JPEG, WebP or GIF file.',
  'key-needed': () =>
    'This Clever Drawer is private. Reload the page and enter its key; a program sends the key with each request.',
  'foreign-host': (p) => `Requests must be addressed to this computer, not to ${p.at}.`,
  'foreign-origin': (p) => `Requests from pages of ${p.at} are refused.`,
  internal: () =>
    'Something went wrong inside Clever Drawer. Nothing was changed; the log of the program says more.',
};

/** A problem in words a producer understands: where, what, and what to do. */
export function describe(problem: Problem): string {
  return (wording[problem.code] as (p: Problem) => string)(problem);
}
