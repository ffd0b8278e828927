/** Started as root, the server goes on as the user of the database before it listens. */
import { lstatSync, readdirSync, lchownSync } from 'node:fs';
import { join } from 'node:path';
import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import { postgresUser } from './database/programs.ts';

const run = promisify(execFile);
/** Where the program lies, as source or built. */
const { dirname: directory, filename: program } = import.meta;

/**
 * Gives up root for good. What lies in the directory of the data becomes the new user's, apart from
 * the cluster, which is theirs already. Words that say why root was kept where it could not be given
 * up; null when it was, or when we are no root.
 */
export async function giveUpRoot(data: string): Promise<string | null> {
  const user = await postgresUser();
  if (!user) {
    return null;
  }
  const canRead = await run('runuser', ['-u', 'postgres', '--', 'test', '-r', program]).then(
    () => true,
    () => false,
  );
  if (!canRead) {
    return `The user postgres may not read ${directory}, so Clever Drawer goes on as root, and whoever uses this computer can have it read what root can. Better: move it where all may read, such as /opt, or start it as an ordinary user.`;
  }
  handOver(data, user.uid, user.gid);
  process.setgroups?.([user.gid]);
  process.setgid?.(user.gid);
  process.setuid?.(user.uid);
  return null;
}

/** Links are handed over themselves, never what they lead to. */
function handOver(path: string, uid: number, gid: number): void {
  const facts = lstatSync(path);
  if (facts.uid !== uid) {
    lchownSync(path, uid, gid);
  }
  if (facts.isDirectory()) {
    for (const name of readdirSync(path).filter((each) => each !== 'cluster')) {
      handOver(join(path, name), uid, gid);
    }
  }
}
