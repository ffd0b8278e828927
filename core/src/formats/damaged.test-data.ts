/** Texts that something was done to. */
import fc from 'fast-check';

/** A text with some of its characters replaced, removed, doubled or added. */
export const damaged = (text: string): fc.Arbitrary<string> =>
  fc
    .array(fc.tuple(fc.nat(text.length), fc.nat(3), fc.string({ maxLength: 4, unit: 'binary' })), {
      maxLength: 6,
    })
    .map((edits) =>
      edits.reduce(
        (t, [at, remove, insert]) => t.slice(0, at) + insert + t.slice(at + remove),
        text,
      ),
    );
