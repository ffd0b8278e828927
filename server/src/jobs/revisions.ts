/** What is held in memory and sent to windows, by revisions: what changed with each of them. */
import { randomUUID } from 'node:crypto';

/** Things that changed or went with a revision. */
interface Touch {
  readonly revision: number;
  readonly things: readonly string[];
}

/** So many touched things are remembered; a window that is further behind gets the whole. */
const rememberedTouches = 2_000;

/** The revision of something, and which of its things changed with those before. It never changes itself. */
export class Revisions {
  /** Revisions of another run of the program, or of something else, are not ours. */
  readonly #run: string;
  readonly #latest: number;
  /** The latest last. */
  readonly #touches: readonly Touch[];

  constructor(run = randomUUID().slice(0, 8), latest = 0, touches: readonly Touch[] = []) {
    this.#run = run;
    this.#latest = latest;
    this.#touches = touches;
  }

  /** The name of the latest. */
  get name(): string {
    return this.#nameOf(this.#latest);
  }

  /** With one more, by which these things changed or went. */
  with(things: readonly string[]): Revisions {
    const revision = this.#latest + 1;
    return new Revisions(this.#run, revision, remembered([...this.#touches, { revision, things }]));
  }

  /** What changed since the revision of that name, each once; null where that is not known, or none is named. */
  since(name: string | undefined): string[] | null {
    if (name === undefined) {
      return null;
    }
    const from = Number(name.slice(this.#run.length + 1));
    if (this.#nameOf(from) !== name || from > this.#latest) {
      return null;
    }
    const later = this.#touches.filter(({ revision }) => revision > from);
    return later.length === this.#latest - from
      ? [...new Set(later.flatMap(({ things }) => things))]
      : null;
  }

  #nameOf(revision: number): string {
    return `${this.#run}-${revision}`;
  }
}

/**
 * The fields of a change as JSON, without the braces: from a revision to the latest, by what changed
 * between them and the JSON of each thing that is there now.
 */
export function sayChange(
  { name }: Revisions,
  since: string | undefined,
  touched: readonly string[],
  textOf: (thing: string) => string | undefined,
): string {
  const changed = touched.flatMap((thing) => textOf(thing) ?? []);
  const removed = touched.filter((thing) => textOf(thing) === undefined);
  return `"revision":${JSON.stringify(name)},"since":${JSON.stringify(since)},"changed":[${changed.join(',')}],"removed":${JSON.stringify(removed)}`;
}

/** The latest touches, as many as are worth it. */
function remembered(touches: readonly Touch[]): Touch[] {
  let count = 0;
  const kept = [...touches].reverse().filter(({ things }) => {
    count += things.length;
    return count <= rememberedTouches;
  });
  return kept.reverse();
}
