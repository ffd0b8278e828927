/** One process that opens plugins: what it is asked, what it tells, and its end. */
import { spawn, type ChildProcess } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { constants, setPriority } from 'node:os';
import { join } from 'node:path';
import type { Readable, Writable } from 'node:stream';
import {
  endInWords,
  loaderWords,
  type Opened,
  type OpenedPlugin,
} from '@clever-drawer/core/readers';
import type { Format } from '@clever-drawer/core/formats';
import type { Problem } from '@clever-drawer/core/problem';
import { endMarked, type Confinement } from './confinement.ts';
import { newHome, removeHome } from './home.ts';

/** A program that is to be opened. */
export interface OpenTask {
  readonly format: Format;
  /** The bundle or file. */
  readonly path: string;
  /** The program in it. */
  readonly binary: string;
  /** LV2: the URIs that reading told. */
  readonly identities: readonly string[];
}

/** What came of a task, and whether the process may be asked again. */
export interface Answer {
  readonly opened: Opened;
  readonly isAlive: boolean;
}

/** After this a process carries too much and is renewed. */
const worn = { files: 30, memory: 600 * 1_048_576, threads: 100 };
/** So long after the limit it ends by itself, in case nobody is there to end it. Seconds. */
const alarmAfter = 5;
/** A process that is not ready by now never will be. Milliseconds. */
const readyWithin = 20_000;
/** After its end, what it told before is still on its way. Milliseconds. */
const drainFor = 200;
/** A line longer than this is none of ours. Bytes. */
const lineLimit = 16 * 1_048_576;

interface Line {
  readonly key?: string;
  readonly ready?: boolean;
  readonly task?: number;
  readonly described?: readonly Plain[];
  readonly whole?: readonly Plain[];
  readonly index?: number;
  readonly created?: Plain;
  readonly trouble?: { readonly code: string; readonly detail: string };
  readonly done?: boolean;
  readonly memory?: number;
  readonly threads?: number;
}
type Plain = Omit<OpenedPlugin, 'isWhole' | 'problem'>;

/** The process; it takes one task at a time. */
export class OpenProcess {
  readonly #key = randomBytes(24).toString('hex');
  readonly #home = newHome();
  readonly #child: ChildProcess;
  readonly #confinement: Confinement;
  #heard: (line: Line) => void = () => undefined;
  #ended: (words: string) => void = () => undefined;
  #end: string | null = null;
  #rest = '';
  #tasks = 0;
  #isWorn = false;

  private constructor(confinement: Confinement, program: readonly string[]) {
    this.#confinement = confinement;
    this.#child = launch(confinement, program, this.#home, this.#key);
    const answer = this.#child.stdio[3] as Readable;
    answer.setEncoding('utf8').on('data', (text: string) => {
      this.#take(text);
    });
    answer.on('error', () => undefined);
    this.#child.stdio[4]?.on('error', () => undefined);
    this.#child.on('error', (error) => {
      this.#over(`it could not be started: ${error.message}`);
    });
    this.#child.on('exit', (status, signal) => {
      // A shell that waited tells a signal as 128 and its number (POSIX, 2.8.2).
      const number = signal === null && status !== null && status > 128 ? status - 128 : null;
      const name = number === null ? signal : (signalNames[number] ?? null);
      setTimeout(() => {
        this.#over(endInWords(name, status));
      }, drainFor);
    });
  }

  /** Starts one and waits until it is ready; a text that says why it is not. */
  static async start(
    confinement: Confinement,
    program: readonly string[],
  ): Promise<OpenProcess | string> {
    const started = new OpenProcess(confinement, program);
    const trouble = await new Promise<string | null>((resolve) => {
      const timer = setTimeout(resolve, readyWithin, 'it did not get ready in time');
      started.#heard = (line) => {
        if (line.ready) {
          clearTimeout(timer);
          resolve(null);
        }
      };
      started.#ended = (words) => {
        clearTimeout(timer);
        resolve(words);
      };
      started.#ask({ key: started.#key });
    });
    if (trouble !== null) {
      started.kill();
      return trouble;
    }
    return started;
  }

  /** Whether it opened nothing before, so that nothing else can be to blame. */
  get isFresh(): boolean {
    return this.#tasks === 0;
  }

  /** Whether it should be renewed. */
  get isWorn(): boolean {
    return this.#isWorn || this.#tasks >= worn.files;
  }

  /** Opens one program; `limit` in milliseconds. Never rejects. */
  open(task: OpenTask, limit: number): Promise<Answer> {
    this.#tasks += 1;
    const number = this.#tasks;
    const plugins: OpenedPlugin[] = [];
    return new Promise((resolve) => {
      const finish = (problem: Problem | null, isAlive: boolean): void => {
        clearTimeout(timer);
        this.#heard = () => undefined;
        this.#ended = () => undefined;
        resolve({ opened: { plugins, problem }, isAlive });
      };
      const timer = setTimeout(() => {
        this.kill();
        finish({ code: 'timed-out', at: task.path, seconds: limit / 1000 }, false);
      }, limit);
      this.#ended = (words) => {
        finish({ code: 'crashed', at: task.path, detail: words }, false);
      };
      this.#heard = (line) => {
        if (line.task !== number) {
          return;
        }
        note(plugins, line, task);
        if (line.done) {
          this.#weigh(line);
          finish(null, true);
        } else if (line.trouble && line.index === undefined) {
          finish(problemOf(line.trouble, task), true);
        }
      };
      if (this.#end !== null) {
        this.#ended(this.#end);
        return;
      }
      this.#ask({ task: number, alarm: Math.ceil(limit / 1000) + alarmAfter, ...task });
    });
  }

  /** Ends it at once, with all that was started in it, and removes what was written. */
  kill(): void {
    const { pid } = this.#child;
    if (pid !== undefined) {
      try {
        process.kill(process.platform === 'win32' ? pid : -pid, 'SIGKILL');
      } catch {
        // It has ended already.
      }
    }
    this.#clear();
  }

  #clear(): void {
    if (!this.#confinement.isApart) {
      endMarked(mark(this.#key));
    }
    removeHome(this.#home);
  }

  #weigh({ memory = 0, threads = 0 }: Line): void {
    this.#isWorn ||= memory > worn.memory || threads > worn.threads;
  }

  #ask(what: object): void {
    (this.#child.stdio[4] as Writable).write(`${JSON.stringify(what)}\n`);
  }

  #over(words: string): void {
    if (this.#end === null) {
      this.#end = words;
      this.#clear();
      this.#ended(words);
    }
  }

  #take(text: string): void {
    const lines = (this.#rest + text).split('\n');
    this.#rest = lines.pop() ?? '';
    if (this.#rest.length > lineLimit) {
      this.kill();
      return;
    }
    for (const line of lines) {
      const answer = parseLine(line);
      if (answer?.key === this.#key) {
        this.#heard(answer);
      }
    }
  }
}

const signalNames: Readonly<Record<number, string>> = {
  4: 'SIGILL',
  5: 'SIGTRAP',
  6: 'SIGABRT',
  7: 'SIGBUS',
  8: 'SIGFPE',
  9: 'SIGKILL',
  11: 'SIGSEGV',
  13: 'SIGPIPE',
  14: 'SIGALRM',
  15: 'SIGTERM',
  31: 'SIGSYS',
};

/** A plugin may write into our descriptor, too: what is no line of ours is nothing. */
function parseLine(text: string): Line | null {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' ? value : null;
  } catch {
    return null;
  }
}

/** What a line adds to the plugins known so far. */
function note(plugins: OpenedPlugin[], line: Line, task: OpenTask): void {
  const { described, whole, index, created, trouble } = line;
  if (described) {
    plugins.splice(0, plugins.length, ...described.map((one) => ({ ...one, isWhole: false })));
  }
  if (whole) {
    plugins.splice(0, plugins.length, ...whole.map((one) => ({ ...one, isWhole: true })));
  }
  const plugin = index === undefined ? undefined : plugins[index];
  if (index !== undefined && plugin && created) {
    plugins[index] = { ...plugin, ...created, isWhole: true };
  } else if (index !== undefined && plugin && trouble) {
    plugins[index] = { ...plugin, problem: problemOf(trouble, task) };
  }
}

function problemOf(
  { code, detail }: { code: string; detail: string },
  { path }: OpenTask,
): Problem {
  switch (code) {
    case 'load-error':
      return { code, at: path, detail: loaderWords(detail) };
    case 'no-entry':
      return { code, at: path, detail };
    default:
      return { code: 'refused', at: path, detail };
  }
}

/** Variables that programs cannot do without; everything else is ours to choose. */
const passed = [
  'PATH',
  'SystemRoot',
  'windir',
  'ProgramFiles',
  'ProgramFiles(x86)',
  'ProgramData',
  'CommonProgramFiles',
  'CommonProgramFiles(x86)',
];

function environmentOf(home: string, key: string): Record<string, string> {
  const given = passed.flatMap((name) => {
    const value = process.env[name];
    return value === undefined ? [] : [[name, value] as const];
  });
  return {
    ...Object.fromEntries(given),
    HOME: home,
    USERPROFILE: home,
    APPDATA: join(home, 'config'),
    LOCALAPPDATA: join(home, 'data'),
    TMPDIR: join(home, 'tmp'),
    TEMP: join(home, 'tmp'),
    TMP: join(home, 'tmp'),
    XDG_CONFIG_HOME: join(home, 'config'),
    XDG_CACHE_HOME: join(home, 'cache'),
    XDG_DATA_HOME: join(home, 'data'),
    XDG_STATE_HOME: join(home, 'state'),
    XDG_RUNTIME_DIR: join(home, 'run'),
    LANG: 'C.UTF-8',
    // Where there is no screen, plugins must not find the user's.
    DISPLAY: ':9999',
    WAYLAND_DISPLAY: 'nowhere',
    DBUS_SESSION_BUS_ADDRESS: 'unix:path=/nowhere',
    JACK_NO_START_SERVER: '1',
    CLEVER_DRAWER_OPENS: mark(key),
  };
}

/** Tells our processes from others'; not the key itself, which plugins must not know. */
const mark = (key: string): string => key.slice(0, 16).split('').reverse().join('');

/** The script of the process, and what is given to it. */
export const usualProgram: readonly string[] = [join(import.meta.dirname, 'child', 'worker.mjs')];

function launch(
  { before }: Confinement,
  program: readonly string[],
  home: string,
  key: string,
): ChildProcess {
  const [command = process.execPath, ...rest] = [...before(), process.execPath, ...program];
  const child = spawn(command, rest, {
    cwd: home,
    env: environmentOf(home, key),
    detached: process.platform !== 'win32',
    windowsHide: true,
    // What plugins print goes nowhere; ours goes through descriptors that they are not told of.
    stdio: ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'],
  });
  yieldTo(child);
  return child;
}

/** Opening can wait: what people do goes before it. */
function yieldTo({ pid }: ChildProcess): void {
  if (pid === undefined) {
    return;
  }
  try {
    setPriority(pid, constants.priority.PRIORITY_BELOW_NORMAL);
  } catch {
    // Not everywhere may it be asked for.
  }
}
