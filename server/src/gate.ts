/**
 * `--private`: who is let in. The key stands in a file that only its owner can read, and is renewed by
 * writing another one. A browser that showed it gets the secret of this run of the program instead,
 * which means nothing to the next, and nothing once the key was renewed.
 */
import { createHmac, createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { join } from 'node:path';
import { readSmallText, replaceIn } from './files/index.ts';

/** How long the link that is printed at the start lets somebody in, once. Milliseconds. */
const linkWorksFor = 10 * 60_000;
const keyMode = 0o600;
const keyShape = /^[0-9a-f]{48}$/;

const isSame = (a: string, b: string): boolean =>
  timingSafeEqual(createHash('sha256').update(a).digest(), createHash('sha256').update(b).digest());

/** The file with the key. */
export const keyFileOf = (data: string): string => join(data, 'key');

/** Writes a new key; the old one, and whoever came in by it, is let in no more. */
export async function renewKey(data: string): Promise<string> {
  const key = randomBytes(24).toString('hex');
  await replaceIn(data, 'key', `${key}\n`, keyMode);
  return key;
}

async function readKey(data: string): Promise<string | null> {
  const text = (await readSmallText(keyFileOf(data)))?.trim() ?? '';
  return keyShape.test(text) ? text : null;
}

/** Lets people and hosts in. */
export class Gate {
  readonly #data: string;
  /** Of this run of the program. */
  readonly #secret = randomBytes(32);
  #link: { readonly code: string; readonly until: number } | null = null;
  #cookie = 'clever-drawer';

  constructor(data: string) {
    this.#data = data;
  }

  get keyFile(): string {
    return keyFileOf(this.#data);
  }

  /** Cookies go to every port of a computer: the port in the name tells ours from another program's. */
  listensOn(port: number): void {
    this.#cookie = `clever-drawer-${port}`;
  }

  get cookieName(): string {
    return this.#cookie;
  }

  /** A code that lets one browser in, once, soon. */
  newLink(now: number): string {
    const code = randomBytes(24).toString('hex');
    this.#link = { code, until: now + linkWorksFor };
    return code;
  }

  /** Whether that is the code of the link that was made last, which is used up by this. */
  takesLink(code: string, now: number): boolean {
    const link = this.#link;
    if (!link || now > link.until || !isSame(code, link.code)) {
      return false;
    }
    this.#link = null;
    return true;
  }

  /** Whether that is the key, as it stands in the file now. */
  async takesKey(text: string): Promise<boolean> {
    const key = await readKey(this.#data);
    return key !== null && isSame(text, key);
  }

  /** What a browser that was let in shows from now on; null where there is no key any more. */
  async session(): Promise<string | null> {
    const key = await readKey(this.#data);
    return key === null ? null : createHmac('sha256', this.#secret).update(key).digest('hex');
  }

  async takesSession(text: string): Promise<boolean> {
    const session = await this.session();
    return session !== null && isSame(text, session);
  }
}

/** The gate of a private server; a key is made when there is none. */
export async function openGate(data: string): Promise<Gate> {
  if ((await readKey(data)) === null) {
    await renewKey(data);
  }
  return new Gate(data);
}
