/** koffi's native part, carried in the bundle for each system, packed out where it can be loaded. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import natives from 'koffi-natives';

/** Writes those of this system into `directory`, named as koffi looks for them. */
export function unpackKoffi(directory: string): void {
  const mine = natives[`${process.platform}-${process.arch}`] ?? {};
  for (const [triplet, packed] of Object.entries(mine)) {
    const to = join(directory, 'koffi', triplet);
    mkdirSync(to, { recursive: true });
    writeFileSync(join(to, 'koffi.node'), gunzipSync(Buffer.from(packed, 'base64')));
  }
}
