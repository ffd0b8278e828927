/**
 * How a process for foreign code is started, so that it reaches neither the network, nor other processes,
 * nor the sockets of the session, and ends when we are gone, where the system lets us: in namespaces of
 * its own (unshare(1), setpriv(1) and mount(8) of util-linux).
 */
import { execFile } from 'node:child_process';
import { lstatSync, readdirSync, readFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { promisify } from 'node:util';

const run = promisify(execFile);

/** How to start a process apart from all others. */
export interface Confinement {
  /** What stands before the program and its arguments; asked anew for each process. */
  readonly before: () => readonly string[];
  /** Whether everything that it starts ends with it. */
  readonly isApart: boolean;
  /** What cannot be kept from it here, in words; null where all can. */
  readonly lacks: string | null;
}

/** Killed when its parent is gone. Asked for again behind each step that makes the system forget it. */
const endsWithParent = ['setpriv', '--pdeathsig=KILL', '--'];
const namespaces = ['unshare', '--net', '--pid', '--mount', '--fork', '--kill-child=SIGKILL'];

/** The first of these that the system gives: namespaces with and without being root. */
const ways: readonly (readonly string[])[] = [
  [...endsWithParent, ...namespaces],
  ['unshare', '--user', '--map-current-user', '--keep-caps', ...endsWithParent, ...namespaces],
  ['unshare', '--user', '--map-root-user', ...endsWithParent, ...namespaces],
];

/**
 * The first process of a namespace is spared most signals; so a shell is that one, and the opener is an
 * ordinary process that can crash. The shell hides what it is given ($1 directories, then $1 sockets),
 * shows no other processes, and hands on without any right to undo that. As root only reading stays.
 */
const inNamespace = `
count=$1; shift
while [ "$count" -gt 0 ]; do mount -t tmpfs -o mode=755,size=4k nothing "$1" 2>/dev/null; shift; count=$((count - 1)); done
count=$1; shift
while [ "$count" -gt 0 ]; do mount --bind /dev/null "$1" 2>/dev/null; shift; count=$((count - 1)); done
mount -t proc proc /proc 2>/dev/null
[ "$(id -u)" -eq 0 ] && rights=-all,+dac_read_search || rights=-all
setpriv --no-new-privs --inh-caps=-all --ambient-caps=-all --bounding-set=$rights --pdeathsig=KILL -- "$@"
exit $?`;

/** Without a namespace, the shell is what a plugin hits that kills its parent. */
const asOrdinary = ['sh', '-c', '"$@"; exit $?', 'opener'];

const inWay = (way: readonly string[]) => (): string[] => {
  const { directories, sockets } = socketsHere();
  return [
    ...[...way, 'sh', '-c', inNamespace, 'opener'],
    ...[String(directories.length), ...directories],
    ...[String(sockets.length), ...sockets],
  ];
};

/** Tries what the system gives. */
export async function findConfinement(
  platform: NodeJS.Platform = process.platform,
): Promise<Confinement> {
  for (const way of platform === 'linux' ? ways : []) {
    const before = inWay(way);
    const [program = 'false', ...rest] = [...before(), 'true'] as string[];
    const works = await run(program, rest).then(
      () => true,
      () => false,
    );
    if (works) {
      return { before, isApart: true, lacks: null };
    }
  }
  return withoutNamespaces(platform);
}

/** What remains where the system gives no namespaces. */
export const withoutNamespaces = (platform: NodeJS.Platform): Confinement => ({
  before: () => {
    const ends = platform === 'linux' ? endsWithParent : [];
    return platform === 'win32' ? [] : [...ends, ...asOrdinary, ...ends];
  },
  isApart: false,
  lacks:
    'This system gives this user no namespaces, so plugins that are opened could use the network and the sockets of your session.',
});

/**
 * The sockets in the file system that somebody listens on (proc(5), /proc/net/unix): of sound servers,
 * the bus of the session, agents with keys. Where a directory below /run holds them, all of it is hidden.
 */
function socketsHere(): { directories: string[]; sockets: string[] } {
  const paths = new Set(
    readOr('/proc/net/unix', '')
      .split('\n')
      .flatMap((line) => /^(?:\S+ +){7}(\/.*)$/.exec(line)?.[1] ?? [])
      .filter(isSocket),
  );
  const directories = new Set<string>();
  const sockets: string[] = [];
  for (const path of paths) {
    const above = dirname(path);
    if (above.startsWith('/run/')) {
      directories.add(above);
    } else {
      sockets.push(path);
    }
  }
  // The outer ones first: what lies in them is gone with them.
  return { directories: [...directories].sort((a, b) => a.length - b.length), sockets };
}

function isSocket(path: string): boolean {
  try {
    return lstatSync(path).isSocket();
  } catch {
    return false;
  }
}

function readOr(path: string, otherwise: string): string {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    return otherwise;
  }
}

/**
 * Ends what an opened plugin started and left behind, also where it left the session: all processes
 * that carry the mark in their environment. Only Linux tells.
 */
export function endMarked(mark: string): void {
  for (const name of listProcesses()) {
    if (readOr(`/proc/${name}/environ`, '').includes(mark)) {
      try {
        process.kill(Number(name), 'SIGKILL');
      } catch {
        // It has ended meanwhile, or is somebody else's.
      }
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
