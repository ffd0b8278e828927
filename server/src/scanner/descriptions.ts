/** LADSPA descriptions in RDF that are installed on this machine, or beside a place. */
import { readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import {
  limits,
  readLadspaRdf,
  type LadspaDescription,
  type LadspaDescriptions,
} from '@clever-drawer/core/readers';
import { diskFiles } from './read.ts';

/**
 * Where descriptions stand for a place `…/lib/ladspa`: `…/share/ladspa/rdf`, and the directories of
 * `LADSPA_RDF_PATH`.
 */
export function descriptionsFor(
  place: string,
  environment: Readonly<Record<string, string | undefined>>,
): LadspaDescriptions {
  const listed = environment['LADSPA_RDF_PATH']?.split(':').filter((path) => path !== '') ?? [];
  const found = new Map<string, LadspaDescription>();
  for (const directory of [...listed, join(dirname(dirname(place)), 'share', 'ladspa', 'rdf')]) {
    for (const description of readDirectory(directory)) {
      if (!found.has(description.id)) {
        found.set(description.id, description);
      }
    }
  }
  return found;
}

function readDirectory(directory: string): LadspaDescription[] {
  try {
    const files = diskFiles(directory, directory);
    return readdirSync(directory)
      .filter((name) => name.endsWith('.rdf'))
      .sort()
      .flatMap((name) => {
        const bytes = files.read(name, limits.ladspaRdf);
        const read = bytes.ok ? readLadspaRdf(bytes.value, name) : bytes;
        return read.ok ? read.value : [];
      });
  } catch {
    return [];
  }
}
