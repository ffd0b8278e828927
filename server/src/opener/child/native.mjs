/** What all formats need of C: loading a library, calling through pointers, reading texts and structs. */
import { dirname } from 'node:path';
import { promisify } from 'node:util';
import koffi from 'koffi';

/** The longest text that is read of a plugin, in bytes; what is kept of it is shorter. */
const textLimit = 4_096;
/** Room for the calls' stack and values: plugins need more than koffi's megabyte. Bytes. */
const stack = 16 * 1_048_576;

koffi.config({
  sync_stack_size: stack,
  async_stack_size: stack,
  resident_async_pools: 1,
});

const isWindows = process.platform === 'win32';
const system = isWindows ? koffi.load('kernel32.dll') : koffi.load(null);
const c = isWindows ? koffi.load('ucrtbase.dll') : system;
const strnlen = c.func('size_t strnlen(void *text, size_t limit)');

/** A library that would not load; the message is the loader's. */
export class LoadError extends Error {}
/** A library that is no plugin of the format, or a plugin that says no. */
export class Refusal extends Error {
  /** @param {'no-entry' | 'refused'} code */
  constructor(code, message) {
    super(message);
    this.code = code;
  }
}

/**
 * Loads a library and leaves it loaded for good.
 * @param {string} path
 * @returns {(name: string) => bigint | null} the address of a symbol
 */
export const loadLibrary = isWindows ? windowsLoader() : posixLoader();

/** Names are bound when they are used, and seen by nobody else (dlfcn.h: RTLD_LAZY, RTLD_LOCAL). */
function posixLoader() {
  const lazy = 1;
  const dlopen = system.func('void *dlopen(const char *path, int flags)');
  const dlsym = system.func('void *dlsym(void *library, const char *name)');
  const dlerror = system.func('const char *dlerror()');
  return (path) => {
    const library = dlopen(path, lazy);
    if (library === null) {
      throw new LoadError(dlerror() ?? 'the loader does not say why');
    }
    return (name) => dlsym(library, name);
  };
}

/** Libraries beside the plugin are found, and no window tells of missing ones (libloaderapi.h). */
function windowsLoader() {
  const besides = 0x00000008;
  const load = system.func(
    'void *LoadLibraryExW(const char16_t *path, void *file, uint32_t flags)',
  );
  const find = system.func('void *GetProcAddress(void *library, const char *name)');
  const lastError = system.func('uint32_t GetLastError()');
  const setErrorMode = system.func('uint32_t SetErrorMode(uint32_t mode)');
  const setDirectory = system.func('bool SetDllDirectoryW(const char16_t *path)');
  const noWindows = 0x8003;
  return (path) => {
    setErrorMode(noWindows);
    setDirectory(dirname(path));
    const library = load(path, null, besides);
    if (library === null) {
      throw new LoadError(`error ${lastError()} of Windows`);
    }
    return (name) => find(library, name);
  };
}

/**
 * More of anything than any plugin has. One that says more is broken: its other numbers and pointers are
 * not believed either.
 */
export const most = {
  plugins: 10_000,
  ports: 10_000,
  buses: 1_000,
  channels: 10_000,
  parameters: 1_000_000,
};

/**
 * A number that a plugin says of itself.
 * @param {number | bigint} count
 * @param {keyof typeof most} what
 */
export function believed(count, what) {
  const number = Number(count);
  if (!Number.isInteger(number) || number < 0 || number > most[what]) {
    throw new Refusal('refused', `it says that it has ${number} ${what}, which no plugin has`);
  }
  return number;
}

/**
 * Pointers to the descriptors of a library, one after the other, until it says that there are no more.
 * @param {(index: number) => Promise<bigint | null>} descriptorAt
 */
export async function descriptorsOf(descriptorAt) {
  const pointers = [];
  for (;;) {
    const pointer = await descriptorAt(pointers.length);
    if (pointer === null) {
      return pointers;
    }
    if (pointer === pointers.at(-1)) {
      throw new Refusal('refused', 'it gives the same plugin again and again');
    }
    pointers.push(pointer);
    believed(pointers.length, 'plugins');
  }
}

const prototypes = new Map();

/**
 * A function behind a pointer, called in a thread of its own, so that what the plugin asks its host
 * meanwhile is answered, from whichever thread it asks.
 * @param {bigint} pointer
 * @param {string} result
 * @param {string[]} parameters types as koffi writes them
 */
export function calling(pointer, result, parameters) {
  const key = `${result}(${parameters.join()})`;
  const prototype = prototypes.get(key) ?? koffi.proto(result, parameters);
  prototypes.set(key, prototype);
  return promisify(koffi.decode(pointer, prototype).async);
}

/** A pointer to a function of ours, for as long as the process lives. */
export const offering = (work, result, parameters) =>
  koffi.register(work, koffi.pointer(koffi.proto(result, parameters)));

/**
 * A text that ends with a zero byte, or at the limit. Bytes that are no UTF-8 are taken as Latin-1.
 * @param {bigint | null} pointer
 * @returns {string | null}
 */
export function textAt(pointer, limit = textLimit) {
  if (pointer === null) {
    return null;
  }
  const length = Number(strnlen(pointer, Math.min(limit, textLimit)));
  return length === 0 ? '' : decoded(Buffer.from(koffi.view(pointer, length)));
}

/** The same for bytes that were copied: a field of a struct. */
export function textIn(bytes) {
  const end = bytes.indexOf(0);
  return decoded(Buffer.from(end < 0 ? bytes : bytes.subarray(0, end)));
}

/** A field of UTF-16, in the machine's own order (little-endian on all we run on). */
export function wideTextIn(bytes) {
  const text = Buffer.from(bytes).toString('utf16le');
  const end = text.indexOf('\0');
  return end < 0 ? text : text.slice(0, end);
}

function decoded(bytes) {
  const text = bytes.toString('utf8');
  // A text that was cut within a character is still UTF-8.
  const isWhole = !text.slice(0, -1).includes('\ufffd');
  return isWhole ? text.replace(/\ufffd$/u, '') : bytes.toString('latin1');
}

/** More controls say nothing more about what a plugin is, nor do longer names (as lv2.ts of core has it). */
const mostControls = 40;
const controlLength = 60;
/** How many are asked for at most: hidden ones and those of the same name are not counted. */
const mostAsked = 400;

/**
 * The names of a plugin's controls, each once.
 * @param {number} count how many it says that it has
 * @param {(index: number) => Promise<string | null>} nameAt null for what nobody can set
 * @returns {Promise<string[]>}
 */
export async function controlNames(count, nameAt) {
  const names = new Set();
  const asked = Math.min(believed(count, 'parameters'), mostAsked);
  for (let index = 0; index < asked && names.size < mostControls; index += 1) {
    const name = (await nameAt(index))?.trim().slice(0, controlLength);
    if (name) {
      names.add(name);
    }
  }
  return [...names];
}

/** A pointer out of a table of them, such as a class's virtual functions. */
export const pointerAt = (table, index) => koffi.decode(table, index * 8, 'void *');

/** A text's bytes with the zero behind, in memory that stays. */
export function lastingText(text) {
  const bytes = Buffer.from(`${text}\0`);
  const memory = koffi.alloc('uint8_t', bytes.length);
  koffi.encode(memory, 'uint8_t', [...bytes], bytes.length);
  return memory;
}

/** Memory of zeros that stays. */
export function lastingBytes(length) {
  const memory = koffi.alloc('uint8_t', length);
  new Uint8Array(koffi.view(memory, length)).fill(0);
  return memory;
}

/** The bytes there, copied. */
export const bytesAt = (pointer, length) =>
  Buffer.from(new Uint8Array(koffi.view(pointer, length)));

export { c as libc, koffi };
