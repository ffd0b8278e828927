/**
 * How a process for foreign code is started, so that it reaches neither the network nor other
 * processes, where the system lets us: in namespaces of its own (unshare(1) of util-linux).
 */
import { execFile } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { promisify } from 'node:util';

const run = promisify(execFile);

/** How to start a process apart from all others. */
export interface Confinement {
  /** What stands before the program and its arguments. */
  readonly before: readonly string[];
  /** Whether everything that it starts ends with it. */
  readonly isApart: boolean;
  /** What cannot be kept from it here, in words; null where all can. */
  readonly lacks: string | null;
}

/** The first of these namespaces that the system gives: of its own, with and without being root. */
const ways: readonly (readonly string[])[] = [
  ['unshare', '--net', '--pid', '--fork', '--kill-child=SIGKILL'],
  ['unshare', '--user', '--map-current-user', '--net', '--pid', '--fork', '--kill-child=SIGKILL'],
  ['unshare', '--user', '--map-root-user', '--net', '--pid', '--fork', '--kill-child=SIGKILL'],
];

/**
 * The first process of a namespace is spared most signals; so a shell is that one, and the opener
 * is an ordinary process that can crash. Without a namespace, the shell is what a plugin hits that
 * kills its parent.
 */
const asOrdinary = ['sh', '-c', '"$@"; exit $?', 'opener'];

/** Tries what the system gives. */
export async function findConfinement(
  platform: NodeJS.Platform = process.platform,
): Promise<Confinement> {
  for (const way of platform === 'linux' ? ways : []) {
    const works = await run(way[0] ?? '', [...way.slice(1), 'true']).then(
      () => true,
      () => false,
    );
    if (works) {
      return { before: [...way, ...asOrdinary], isApart: true, lacks: null };
    }
  }
  return withoutNamespaces(platform);
}

/** What remains where the system gives no namespaces. */
export const withoutNamespaces = (platform: NodeJS.Platform): Confinement => ({
  before: platform === 'win32' ? [] : asOrdinary,
  isApart: false,
  lacks:
    'This system gives this user no namespaces, so plugins that are opened could use the network.',
});

/**
 * Ends what an opened plugin started and left behind, also where it left the session: all processes
 * that carry the mark in their environment. Only Linux tells.
 */
export function endMarked(mark: string): void {
  for (const name of listProcesses()) {
    try {
      if (readFileSync(`/proc/${name}/environ`, 'utf8').includes(mark)) {
        process.kill(Number(name), 'SIGKILL');
      }
    } catch {
      // It has ended meanwhile, or is somebody else's.
    }
  }
}

function listProcesses(): string[] {
  try {
    return readdirSync('/proc').filter((name) => /^\d+$/.test(name));
  } catch {
    return [];
  }
}
