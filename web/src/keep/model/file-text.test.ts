import { TextDecoder } from 'node:util';
import { describe, expect, it } from '@jest/globals';
import { fileText } from './file-text.ts';

Object.assign(globalThis, { TextDecoder });
const latin = (text: string): Uint8Array => Buffer.from(text, 'latin1');

describe('the text of a file', () => {
  it('is read by its mark, by what XML says of itself, else as UTF-8', () => {
    expect(fileText(Buffer.from('Stúdio'))).toBe('Stúdio');
    expect(fileText(Buffer.from('\uFEFFStúdio', 'utf16le'))).toBe('Stúdio');
    expect(fileText(Buffer.from('\uFEFFStúdio', 'utf16le').swap16())).toBe('Stúdio');
    const xml = '<?xml version="1.0" encoding="ISO-8859-1"?><opml>Stúdio</opml>';
    expect(fileText(latin(xml))).toBe(xml);
  });
  it('is none where its encoding is not named, or is unknown', () => {
    expect(fileText(latin('Stúdio'))).toBeNull();
    expect(fileText(latin('<?xml version="1.0" encoding="quay-8"?><opml/>'))).toBeNull();
  });
});
