/** Opening a copy as the practice session does it: its file and header are looked at, nothing of it runs. */
import { stat } from 'node:fs/promises';
import { setTimeout } from 'node:timers/promises';
import { misbehaviours, type HostCopy, type HostSettings } from '@clever-drawer/core/loading';
import { failed, ok, type Problem, type Result } from '@clever-drawer/core/problem';
import { readRegular } from '../../files/index.ts';
import { bytesSource, readBinary } from '@clever-drawer/core/readers';

/** Thrown where a real plugin would bring its host down. */
export class Crash extends Error {}

const tailLength = 64;
/** Larger programs are read up to here; headers stand at the beginning. Bytes. */
const readLimit = 64 * 1_048_576;

/** Between 40 and 240 ms, always the same for a file: opening takes a while. */
const openingTime = ({ path }: HostCopy): number =>
  40 + (Buffer.from(path).reduce((sum, byte) => (sum * 31 + byte) % 9_973, 7) % 200);

/** Machines as Node calls them, by how readers call them. */
const machine =
  ({ x64: 'x86_64', ia32: 'x86', arm64: 'arm64', arm: 'arm' } as Readonly<Record<string, string>>)[
    process.arch
  ] ?? process.arch;
const half: Readonly<Record<string, string>> = { x86_64: 'x86', arm64: 'arm' };

/**
 * Opens a copy as a host would: looks at its file, takes a while, refuses with a reason, or ends
 * the process.
 */
export async function openCopy(copy: HostCopy, settings: HostSettings): Promise<Result<null>> {
  const { name, format } = copy;
  if (!settings.formats.includes(format)) {
    return failed({
      code: 'host-format',
      at: copy.path,
      name,
      got: format,
      known: settings.formats,
    });
  }
  await setTimeout(openingTime(copy));
  const setting = copy.setting?.path ?? null;
  if (setting !== null && !(await stat(setting).catch(() => null))) {
    return failed({ code: 'host-setting-missing', at: setting, name: copy.setting?.name ?? '' });
  }
  const missing: Problem = { code: 'host-file-missing', at: copy.path, name };
  const file = copy.binary ?? copy.path;
  const facts = await stat(copy.path)
    .then(
      (found) => (copy.binary === null ? found : stat(file)),
      () => null,
    )
    .catch(() => null);
  if (!facts) {
    return failed(missing);
  }
  // A bundle whose program is not known has nothing more to look at.
  if (!facts.isFile()) {
    return ok(null);
  }
  if (facts.size > readLimit) {
    return ok(null);
  }
  const bytes = await readRegular(file, readLimit, { followsLinks: true }).catch(() => null);
  if (!bytes) {
    return failed(missing);
  }
  const binary = readBinary(bytesSource(bytes), file);
  if (!binary.ok) {
    return failed({
      code: 'host-no-program',
      at: file,
      name,
      detail: 'its file is damaged or no program. Installing it again usually mends this.',
    });
  }
  const { architectures } = binary.value;
  if (!architectures.includes(machine)) {
    if (!architectures.includes(half[machine] ?? '')) {
      return failed({
        code: 'host-wrong-machine',
        at: file,
        name,
        got: architectures.join(', '),
        machine,
      });
    }
    if (!settings.takes32Bit) {
      return failed({ code: 'host-bits', at: file, name });
    }
  }
  const tail = bytes.subarray(-tailLength).toString('latin1');
  if (tail.endsWith(misbehaviours.crash)) {
    throw new Crash(name);
  }
  return tail.endsWith(misbehaviours['no-licence'])
    ? failed({ code: 'host-no-licence', at: file, name })
    : ok(null);
}
