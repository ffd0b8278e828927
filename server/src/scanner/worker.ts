/**
 * A thread that walks places, reads bundles and sorts catalogs, so that the server stays quick. Tasks
 * come together and are answered together.
 */
import { randomUUID } from 'node:crypto';
import { parentPort, workerData } from 'node:worker_threads';
import type { Format, FoundCopy } from '@clever-drawer/core/formats';
import {
  identifyCatalog,
  type Decisions,
  type IdentifiedCatalog,
  type CopyToIdentify,
} from '@clever-drawer/core/identify';
import {
  noDescriptions,
  type FoundSetting,
  type LadspaDescriptions,
} from '@clever-drawer/core/readers';
import { descriptionsFor } from './descriptions.ts';
import { readBundle, readSettings } from './read.ts';
import { sharedText, type SharedTexts } from './shared-texts.ts';
import { walk, type FoundBundle, type Sought, type Walked } from './walk.ts';

/** What reading has to know of a bundle. */
export type ToRead = Pick<FoundBundle, 'format' | 'candidates' | 'path'>;

/** Copies that are to be sorted, with their facts as JSON. */
export interface CopiesToSort {
  readonly present: readonly Omit<CopyToIdentify, 'facts'>[];
  /** Of each at the same position. */
  readonly facts: SharedTexts;
}

/** What a thread is asked. */
export type Task =
  | {
      readonly task: 'walk';
      readonly place: string;
      readonly formats: readonly Format[];
      readonly stop: SharedArrayBuffer;
      readonly what: Sought;
    }
  | {
      readonly task: 'read' | 'settings';
      readonly bundle: ToRead;
      readonly place: string;
      /** How often the place was walked before: what is installed beside it is read anew with each walk. */
      readonly walks: number;
    }
  | {
      readonly task: 'sort';
      readonly copies: CopiesToSort;
      readonly decisions: Decisions;
    };
/** What a thread answers. */
export type Done =
  | { readonly walked: Walked }
  | { readonly copies: FoundCopy[] }
  | { readonly settings: FoundSetting[] }
  | { readonly sorted: IdentifiedCatalog };

interface Described {
  readonly walks: number;
  readonly all: LadspaDescriptions;
}

/** By place, as they were at its last walk. */
const descriptions = new Map<string, Described>();

function descriptionsOf(place: string, walks: number, { candidates }: ToRead): LadspaDescriptions {
  if (!candidates.includes('LADSPA')) {
    return noDescriptions;
  }
  const known = descriptions.get(place);
  if (known?.walks === walks) {
    return known.all;
  }
  const all = descriptionsFor(place, workerData as Record<string, string | undefined>);
  descriptions.set(place, { walks, all });
  return all;
}

const understood = ({ present, facts }: CopiesToSort): CopyToIdentify[] =>
  present.map((copy, at) => ({
    ...copy,
    facts: JSON.parse(sharedText(facts, at)) as FoundCopy,
  }));

function run(task: Task): Done {
  switch (task.task) {
    case 'read': {
      const described = descriptionsOf(task.place, task.walks, task.bundle);
      return { copies: readBundle(task.bundle, task.place, described) };
    }
    case 'settings':
      return { settings: readSettings(task.bundle, task.place) };
    case 'sort':
      return { sorted: identifyCatalog(understood(task.copies), task.decisions, randomUUID) };
    case 'walk': {
      const stop = new Int32Array(task.stop);
      const isStopped = (): boolean => Atomics.load(stop, 0) !== 0;
      return { walked: walk(task.place, task.formats, isStopped, task.what) };
    }
  }
}

parentPort?.on('message', (tasks: readonly Task[]) => {
  parentPort?.postMessage(tasks.map(run));
});
