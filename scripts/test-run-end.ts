/** Behind unit and server tests: what they made once goes. */
import { rmSync } from 'node:fs';

export default function testRunEnd(): void {
  const directory = process.env.CLEVER_DRAWER_TEST_RUN;
  if (directory !== undefined) {
    rmSync(directory, { recursive: true, force: true });
  }
}
