/**
 * What a process may no longer do before it loads anything foreign. Linux and macOS; on Windows
 * nothing of this is needed or there.
 */
import { readFileSync } from 'node:fs';
import { koffi } from './native.mjs';

/** Resources of sys/resource.h; RLIMIT_AS is 9 on Linux and 5 on macOS. */
const resources = { core: 4, addressSpace: process.platform === 'darwin' ? 5 : 9 };
/** More memory than this on top of our own no plugin needs for being asked its name. Bytes. */
const memory = 3 * 1024 ** 3;
const closeOnExec = 1;
const setFlags = 2;

/** @param {number[]} ours descriptors that no program started by a plugin may inherit */
export function confine(ours) {
  if (process.platform === 'win32') {
    return;
  }
  const system = koffi.load(null);
  const fcntl = system.func('int fcntl(int descriptor, int command, int value)');
  for (const descriptor of ours) {
    fcntl(descriptor, setFlags, closeOnExec);
  }
  const Limit = koffi.struct('rlimit', { now: 'uint64_t', most: 'uint64_t' });
  const setrlimit = system.func('setrlimit', 'int', ['int', koffi.pointer(Limit)]);
  setrlimit(resources.core, { now: 0, most: 0 });
  const used = usedAddressSpace();
  if (used !== null) {
    const limit = used + memory;
    setrlimit(resources.addressSpace, { now: limit, most: limit });
  }
}

/** Bytes of address space that we have now; V8 reserves a lot. Null where it is not told. */
function usedAddressSpace() {
  try {
    const kilobytes = /^VmSize:\s+(\d+)/m.exec(readFileSync('/proc/self/status', 'utf8'))?.[1];
    return kilobytes === undefined ? null : Number(kilobytes) * 1024;
  } catch {
    return null;
  }
}

/**
 * A watch over tasks: `set(seconds)` ends this process by SIGALRM when the time is over, also while a
 * plugin holds it up and nobody else is there to end it (alarm(2)); `set(0)` calls that off.
 */
export function alarmClock() {
  if (process.platform === 'win32') {
    return { set: () => undefined };
  }
  const alarm = koffi.load(null).func('unsigned int alarm(unsigned int seconds)');
  return {
    set: (seconds) => {
      alarm(seconds);
    },
  };
}
