/** What the tests use of the package `opmlparser`, which brings no types of its own. */
declare module 'opmlparser' {
  import { Transform } from 'node:stream';
  /** Reads outlines as a stream. */
  export default class OpmlParser extends Transform {
    constructor(options: object);
  }
}
