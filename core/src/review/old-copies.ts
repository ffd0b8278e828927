/** Formats and machines of the copies, and which copies could be retired. */
import { grouped } from '../grouped.ts';
import { formats, type Format } from '../formats/found-copy.ts';
import { isNewer } from '../catalog/version.ts';
import type { AskingSession, ReviewMaterial, StudiedCopy, StudiedPlugin } from './studied.ts';
import type { Tie } from './ties.ts';

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
  readonly path: string;
  readonly version: string | null;
  /** What stands in for it. */
  readonly by: Pick<StudiedCopy, 'format' | 'version' | 'path'>;
  /** Names of the sessions that still ask for just this copy. */
  readonly sessions: readonly string[];
  /** Why it should stay all the same. */
  readonly ties: readonly Tie[];
}

/**
 * Every copy that is there, and beside which one of the same format is in a newer version, or one
 * that declares to stand in for it and is not known to be older. Another format alone makes none
 * old: it may not read what the old one saved.
 */
export function retirableOf(
  { plugins }: Pick<ReviewMaterial, 'plugins'>,
  sessions: readonly AskingSession[],
): RetirableCopy[] {
  const askedBy = grouped(
    sessions.flatMap(({ session, copies }) => copies.map((copy) => [copy, session])),
  );
  return plugins.flatMap((plugin) => {
    const present = presentOf(plugin);
    const sound = present.filter(({ isFailed }) => !isFailed);
    return present.flatMap((copy): RetirableCopy[] => {
      const by = sound.find((one) => succeeds(one, copy));
      if (!by) {
        return [];
      }
      const asking = [...new Set(askedBy.get(copy.id))];
      return [
        {
          plugin: plugin.id,
          copy: copy.id,
          format: copy.format,
          is32Bit: copy.is32Bit,
          path: copy.path,
          version: copy.version,
          by: { format: by.format, version: by.version, path: by.path },
          sessions: asking,
          ties: tiesOf(plugin, copy, by, asking),
        },
      ];
    });
  });
}

/** A 32-bit copy stands in for no 64-bit one: a 64-bit host would not take it. */
function succeeds(one: StudiedCopy, old: StudiedCopy): boolean {
  if (one.id === old.id || (one.is32Bit && !old.is32Bit)) {
    return false;
  }
  return one.format === old.format
    ? isNewer(one.version, old.version)
    : (one.standsInFor ?? []).includes(old.id) && !isNewer(old.version, one.version);
}

const tiesOf = (
  { firstCopies, settingFormats }: StudiedPlugin,
  copy: StudiedCopy,
  by: StudiedCopy,
  sessions: readonly string[],
): Tie[] => [
  ...(sessions.length > 0 ? (['session'] as const) : []),
  ...(by.format !== copy.format && settingFormats.includes(copy.format)
    ? (['setting'] as const)
    : []),
  ...(firstCopies.includes(copy.id) ? (['first'] as const) : []),
];
