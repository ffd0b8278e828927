/** Writes the JSON Schema of our document to docs/schema/. */
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { documentSchema } from '@clever-drawer/core/documents';
import { format } from 'prettier';

const directory = join(import.meta.dirname, '..', 'docs', 'schema');
await mkdir(directory, { recursive: true });
await writeFile(
  join(directory, 'order-1.json'),
  await format(JSON.stringify(documentSchema), { parser: 'json', printWidth: 100 }),
);
