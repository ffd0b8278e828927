/** Started as root, the program goes on as the user of the database before any data is touched. */
import { userInfo } from 'node:os';
import { ownDirectory } from './database/own-directory.ts';
import { asPostgres, postgresUser } from './database/programs.ts';
import { SetupError } from './database/setup-error.ts';

/** Where the program lies, as source or built. */
const { dirname: directory, filename: program } = import.meta;

/** As root: makes sure that the user of the database could go on. Throws a SetupError where it could not. */
export async function refuseUnreadable(): Promise<void> {
  const asked = [
    ['test', '-r', program],
    ['test', '-x', process.execPath],
  ];
  for (const command of asked) {
    await asPostgres(command).catch(() => {
      throw new SetupError(
        `The user postgres, as whom Clever Drawer goes on when root starts it, may not read ${directory} or run ${process.execPath}. Move the program where all may read, such as /opt, or start it as an ordinary user.`,
      );
    });
  }
}

/**
 * As root: the directory of the data becomes the database's user's, and this process goes on as that
 * user, for good. As anybody else it does nothing. Throws a SetupError, as root still, where that
 * cannot be.
 */
export async function giveUpRoot(data: string): Promise<void> {
  const user = await postgresUser();
  if (!user) {
    return;
  }
  await refuseUnreadable();
  await ownDirectory(data, user);
  process.chdir('/');
  process.setgroups?.([user.gid]);
  process.setgid?.(user.gid);
  process.setuid?.(user.uid);
  process.env['HOME'] = userInfo().homedir;
}
