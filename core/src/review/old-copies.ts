/** Formats and machines of the copies, and which copies could be retired. */
import { grouped } from '../grouped.ts';
import { formats, type Format } from '../formats/found-copy.ts';
import type { AskingSession, ReviewMaterial, StudiedCopy, StudiedPlugin } from './studied.ts';

/** Copies of one format and machine. */
export interface CopiesOfFormat {
  readonly format: Format;
  readonly is32Bit: boolean;
  readonly copies: number;
  readonly plugins: readonly string[];
}

const presentOf = ({ copies }: StudiedPlugin): StudiedCopy[] =>
  copies.filter(({ state }) => state === 'present');

/** Copies that are there, by format and whether they run on 32-bit machines only. */
export function copiesByFormat(plugins: readonly StudiedPlugin[]): CopiesOfFormat[] {
  const byFormat = grouped(
    plugins.flatMap((plugin) =>
      presentOf(plugin).map((copy) => [`${copy.format} ${copy.is32Bit}`, plugin.id]),
    ),
  );
  return formats.flatMap((format) =>
    [false, true].flatMap((is32Bit): CopiesOfFormat[] => {
      const ids = byFormat.get(`${format} ${is32Bit}`);
      return ids ? [{ format, is32Bit, copies: ids.length, plugins: [...new Set(ids)] }] : [];
    }),
  );
}

/** A copy that a newer one makes needless. */
export interface RetirableCopy {
  readonly plugin: string;
  readonly copy: string;
  readonly format: Format;
  readonly is32Bit: boolean;
  /** What stands in for it. */
  readonly by: Format;
  /** Names of the sessions that still ask for just this copy. */
  readonly sessions: readonly string[];
}

/** Formats whose specification is no longer kept up (common practice, no source). */
const oldFormats: readonly Format[] = ['VST2', 'LADSPA'];

/**
 * Every copy that is for 32-bit machines only, or of an old format, and has one beside it that is
 * neither, or a 64-bit one of the same format. `order` is the user's order of formats.
 */
export function retirableOf(
  { plugins, formatOrder }: Pick<ReviewMaterial, 'plugins' | 'formatOrder'>,
  sessions: readonly AskingSession[],
): RetirableCopy[] {
  const askedBy = grouped(
    sessions.flatMap(({ session, copies }) => copies.map((copy) => [copy, session])),
  );
  const isOld = (copy: StudiedCopy): boolean => copy.is32Bit || oldFormats.includes(copy.format);
  const rank = ({ format }: StudiedCopy): number => (formatOrder.indexOf(format) + 100) % 100;
  return plugins.flatMap((plugin) => {
    if (!plugin.copies.some(isOld)) {
      return [];
    }
    const present = presentOf(plugin);
    const newer = present.filter((copy) => !copy.is32Bit).toSorted((a, b) => rank(a) - rank(b));
    return present.filter(isOld).flatMap((copy): RetirableCopy[] => {
      const by = newer.find(
        (one) =>
          one.id !== copy.id && (!isOld(one) || (copy.is32Bit && one.format === copy.format)),
      );
      return by
        ? [
            {
              plugin: plugin.id,
              copy: copy.id,
              format: copy.format,
              is32Bit: copy.is32Bit,
              by: by.format,
              sessions: [...new Set(askedBy.get(copy.id))],
            },
          ]
        : [];
    });
  });
}
