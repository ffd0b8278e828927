/**
 * A thread that works reviews out, so that the server stays quick. It holds what one computer told,
 * and is told again only what became another text.
 */
import { parentPort } from 'node:worker_threads';
import {
  fromColumns,
  materialOf,
  reviewPart,
  wishOf,
  type CatalogColumnsView,
  type ReviewMaterial,
  type ReviewPart,
  type ReviewSource,
  type ReviewView,
} from '@clever-drawer/core';
import { usesIn, type ToldLoad } from './told-loads.ts';

/** What a computer told at a moment; all that is long as JSON. */
export interface Told {
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly computer: string;
  /** Whether loads are learnt from; if not, none are told. */
  readonly isLearning: boolean;
  /** A `CatalogColumnsView`. */
  readonly catalog: string;
  /** All records of the order. */
  readonly order: string;
  /** Saved settings that were found. */
  readonly settings: string;
  /** A list of `Usage`. */
  readonly usage: string;
  /** A list of `ToldLoad`. */
  readonly loads: string;
  readonly comings: string;
  readonly sessions: string;
}

/** What a thread is asked: a part of a review, of what it was told before but for this. */
export interface ReviewTask {
  readonly told: Partial<Told>;
  readonly part: ReviewPart;
  readonly view: ReviewView;
}

/** What it answers: that part as JSON. */
export type ReviewDone = string;

let at = 0;
let source: ReviewSource = {
  computer: '',
  catalog: [],
  order: [],
  settings: [],
  usage: [],
  uses: [],
  comings: [],
  sessions: [],
};
let material: ReviewMaterial | null = null;

type TextName = Exclude<keyof Told, 'at' | 'computer' | 'isLearning'>;

/** How each text is understood. */
const reads: Readonly<Record<TextName, (text: string) => Partial<ReviewSource>>> = {
  catalog: (text) => ({ catalog: fromColumns((JSON.parse(text) as CatalogColumnsView).columns) }),
  order: (text) => ({ order: JSON.parse(text) as ReviewSource['order'] }),
  settings: (text) => ({ settings: JSON.parse(text) as ReviewSource['settings'] }),
  usage: (text) => ({ usage: JSON.parse(text) as ReviewSource['usage'] }),
  loads: (text) => ({ uses: usesIn(JSON.parse(text) as ToldLoad[]) }),
  comings: (text) => ({ comings: JSON.parse(text) as ReviewSource['comings'] }),
  sessions: (text) => ({ sessions: JSON.parse(text) as ReviewSource['sessions'] }),
};

function take(told: Partial<Told>): void {
  at = told.at ?? at;
  source = { ...source, computer: told.computer ?? source.computer };
  for (const [name, read] of Object.entries(reads)) {
    const text = told[name as TextName];
    source = text === undefined ? source : { ...source, ...read(text) };
  }
  material = null;
}

parentPort?.on('message', ({ told, part, view }: ReviewTask) => {
  if (Object.keys(told).length > 0) {
    take(told);
  }
  material ??= materialOf(source, at);
  const done: ReviewDone = JSON.stringify(reviewPart[part](material, wishOf(view, at)));
  parentPort?.postMessage(done);
});
