/**
 * The two web-standard pieces that core uses and that ES2023's library does not name
 * (https://encoding.spec.whatwg.org).
 */
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean; ignoreBOM?: boolean });
  decode(input?: Uint8Array): string;
}
