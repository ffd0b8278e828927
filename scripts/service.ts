/** A systemd service for Clever Drawer: the system's when root installs it, else the user's own. */
import { execFile } from 'node:child_process';
import { mkdir, rm, writeFile } from 'node:fs/promises';
import { homedir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { promisify } from 'node:util';
import { ownDirectory, postgresUser, refuseUnreadable, SetupError } from '@clever-drawer/server';
import type { StartOptions } from './start-options.ts';

const run = promisify(execFile);
const name = 'clever-drawer.service';
const isRoot = process.getuid?.() === 0;
const scope = isRoot ? [] : ['--user'];

/** Where programs are found: this Node.js first, then the system's own. */
const usualPath = `${dirname(process.execPath)}:/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin`;

/** Where the unit stands. */
export const unitPath = (): string =>
  isRoot
    ? join('/etc/systemd/system', name)
    : join(process.env['XDG_CONFIG_HOME'] ?? join(homedir(), '.config'), 'systemd/user', name);

/**
 * An argument as a unit takes it (systemd.service(5), "Command lines"; systemd.unit(5) for %):
 * quoted, with backslashes and quotation marks escaped, and % and $ doubled.
 */
export const quoteForUnit = (text: string): string =>
  `"${text.replace(/[\\"]/g, '\\$&').replace(/%/g, '%%').replace(/\$/g, '$$$$')}"`;

/** A path in a unit, where $ means nothing. */
const quotePath = (path: string): string =>
  `"${path.replace(/[\\"]/g, '\\$&').replace(/%/g, '%%')}"`;

/**
 * The unit that starts Clever Drawer as it is asked for here. The script is an argument of bash: the
 * name of a program itself may not hold quotation marks, nor is $$ understood in it.
 */
export function unitFor(options: StartOptions, start: string, path: string): string {
  const flags = [
    ...(options.isDemo ? [] : ['--empty']),
    ...(options.isPrivate ? ['--private'] : []),
    ...options.allowed.flatMap((directory) => ['--allow', quoteForUnit(directory)]),
    ...['--data', quoteForUnit(options.data), '--log', options.logLevel],
  ];
  return `[Unit]
Description=Clever Drawer, a catalog of audio plugins

[Service]
Type=simple
Environment=PORT=${options.port}
Environment=${quoteForUnit(`PATH=${path}`)}
ExecStart=/bin/bash ${quoteForUnit(start)} ${flags.join(' ')}
Restart=on-failure
RestartSec=5
TimeoutStartSec=infinity
TimeoutStopSec=90
${confined(options)}
[Install]
WantedBy=${isRoot ? 'multi-user.target' : 'default.target'}
`;
}

/**
 * What the service may do (systemd.exec(5)). The system's runs as the database's user and writes to the
 * data, and what it was allowed, alone; a user's own manager cannot set file systems apart everywhere.
 */
function confined({ data, allowed }: StartOptions): string {
  const writable = [data, ...allowed].map(quotePath).join(' ');
  // In a temporary directory of its own the service would not find data that is kept in ours.
  const hasOwnTmp = ![data, ...allowed].some((path) => /^\/(?:var\/)?tmp\//.test(path));
  const ofSystem = `User=postgres
ProtectSystem=strict
PrivateTmp=${hasOwnTmp ? 'yes' : 'no'}
ProtectKernelTunables=yes
ProtectControlGroups=yes
ReadWritePaths=${writable}
`;
  return `NoNewPrivileges=yes
${isRoot ? ofSystem : ''}`;
}

const systemctl = (...args: string[]): Promise<unknown> => run('systemctl', [...scope, ...args]);

/** Writes the unit, has systemd check it, and starts it where systemd runs. */
export async function installService(options: StartOptions): Promise<string> {
  const path = unitPath();
  const start = resolve(import.meta.dirname, '../start');
  await giveDataAway(options.data);
  try {
    await mkdir(dirname(path), { recursive: true });
    await writeFile(path, unitFor(options, start, usualPath));
  } catch (error) {
    throw new SetupError(`${path} could not be written (${String(error)}).`);
  }
  await verify(path);
  const command = `systemctl ${[...scope, 'enable', '--now', name].join(' ')}`;
  try {
    await systemctl('daemon-reload');
    await systemctl('enable', '--now', name);
    return `Installed as ${path} and started: http://127.0.0.1:${options.port}`;
  } catch {
    return `Installed as ${path}. systemd does not answer here; where it runs, start it with: ${command}`;
  }
}

/** The system's service finds a directory of its own. */
async function giveDataAway(data: string): Promise<void> {
  const user = await postgresUser();
  if (user) {
    await refuseUnreadable();
    await ownDirectory(data, user);
  }
}

async function verify(path: string): Promise<void> {
  try {
    await run('systemd-analyze', [...scope, 'verify', path]);
  } catch (error) {
    const { code, stderr } = error as { code?: unknown; stderr?: string };
    if (code !== 'ENOENT' && (stderr ?? '').includes(name)) {
      throw new SetupError(`systemd does not take the unit ${path}: ${(stderr ?? '').trim()}`);
    }
  }
}

/** Stops the service and removes the unit; the data stays. */
export async function uninstallService(options: StartOptions): Promise<string> {
  const path = unitPath();
  await systemctl('disable', '--now', name).catch(() => undefined);
  try {
    await rm(path);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') {
      return `No service is installed (there is no ${path}).`;
    }
    throw new SetupError(`${path} could not be removed (${String(error)}).`);
  }
  await systemctl('daemon-reload').catch(() => undefined);
  return `Removed ${path}. The data in ${options.data} stays.`;
}
