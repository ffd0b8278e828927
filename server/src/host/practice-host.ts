/**
 * The practice session behind the interface of a host: a process of its own, started when first
 * asked and again when it ended.
 */
import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import type { HostSession } from '@clever-drawer/core/loading';
import { failed, type Problem, type Result } from '@clever-drawer/core/problem';
import { helperProgram } from '../helper-program.ts';
import type { Answered, Asked } from './practice/process.ts';
import type { Host, HostCommand } from './host.ts';

/** The longest the process may take for one command, in milliseconds. */
const patience = 30_000;

/** How long it may take to end by itself; one that is stopped never does. Milliseconds. */
const endsWithin = 2_000;

/** The practice session in a process of its own, started again when it ended. */
export class PracticeHost implements Host {
  #child: ChildProcess | null = null;
  #id = 0;

  async ask(before: HostSession, command: HostCommand): Promise<Result<HostSession>> {
    const child = this.#running();
    const id = (this.#id += 1);
    return new Promise((resolve) => {
      const done = (result: Result<HostSession>): void => {
        clearTimeout(timer);
        child.off('message', hear);
        child.off('exit', ended);
        resolve(result);
      };
      const hear = (answered: Answered): void => {
        if (answered.id === id) {
          done(answered.result);
        }
      };
      const ended = (): void => {
        this.#child = null;
        done(failed(endedAt(command)));
      };
      const timer = setTimeout(() => {
        this.#child = null;
        child.kill('SIGKILL');
        done(failed({ code: 'host-silent', at: 'session' }));
      }, patience);
      child.on('message', hear);
      child.on('exit', ended);
      child.send({ id, before, command } satisfies Asked, (error) => {
        if (error) {
          ended();
        }
      });
    });
  }

  #running(): ChildProcess {
    if (this.#child?.connected) {
      return this.#child;
    }
    this.#child = fork(helperProgram('practice/start', import.meta.url), [], {
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      execArgv: [],
      serialization: 'json',
      // A signal of the terminal is for us: the child goes when we let go of it, or are gone.
      detached: true,
    });
    this.#child.on('error', () => undefined);
    return this.#child;
  }

  /** Lets go of the process, and ends it where it does not end by itself. */
  async close(): Promise<void> {
    const child = this.#child;
    this.#child = null;
    if (!child || child.exitCode !== null || child.signalCode !== null) {
      return;
    }
    const ended = once(child, 'exit');
    // One that crashed or was killed may be gone already, though its end was not told yet.
    if (child.connected) {
      child.disconnect();
    }
    const kill = setTimeout(() => {
      child.kill('SIGKILL');
    }, endsWithin);
    await ended;
    clearTimeout(kill);
  }
}

/** What it means that the process ended while it was asked. */
const endedAt = (command: HostCommand): Problem =>
  command.do === 'load'
    ? { code: 'host-crashed', at: command.copy.path, name: command.copy.name }
    : { code: 'host-silent', at: 'session' };
