/** Made-up studios for tests of reviews. */
import fc from 'fast-check';
import { formats, type Format } from '../formats/found-copy.ts';
import { trackKinds } from '../loading/loadability.ts';
import { day } from '../time.ts';
import type {
  PastUse,
  ReviewMaterial,
  StudiedCopy,
  StudiedFolder,
  StudiedPlugin,
} from './studied.ts';

/** When all of it is looked at. */
export const now = Date.UTC(2026, 9, 15, 12);

/** A copy that is there. */
export const aCopy = (
  id: string,
  format: Format,
  more: Partial<StudiedCopy> = {},
): StudiedCopy => ({
  id,
  format,
  is32Bit: false,
  state: 'present',
  path: `/plugins/${id}`,
  version: null,
  isFailed: false,
  audioIn: 2,
  audioOut: 2,
  ...more,
});

/** A plugin with one copy. */
export const aPlugin = (id: string, more: Partial<StudiedPlugin> = {}): StudiedPlugin => ({
  id,
  name: id,
  vendor: 'Saltglass',
  kind: 'effect',
  types: [],
  isHidden: false,
  hasNickname: false,
  trialEnds: null,
  copies: [aCopy(`copy of ${id}`, 'VST3')],
  ties: [],
  firstCopies: [],
  settingFormats: [],
  ...more,
});

/** A load, of now and into an audio track unless said otherwise. */
export const aUse = (plugin: string, more: Partial<PastUse> = {}): PastUse => ({
  plugin,
  at: now,
  track: 'track',
  after: null,
  typed: null,
  keys: null,
  took: null,
  folder: null,
  ...more,
});

/** A folder of the one cabinet. */
export const aFolder = (
  id: string,
  plugins: readonly string[],
  form: StudiedFolder['form'] = 'folder',
): StudiedFolder => ({ id, name: id, form, cabinet: 'cabinet', sortedBy: null, plugins });

/** Material with nothing in it but what is given. */
export const aMaterial = (more: Partial<ReviewMaterial>): ReviewMaterial => ({
  plugins: [],
  chains: [],
  folders: [],
  uses: [],
  comings: [],
  sessions: [],
  ...more,
});

const ids = Array.from({ length: 12 }, (_, n) => `p${n}`);
const anyPlugin = (id: string): fc.Arbitrary<StudiedPlugin> =>
  fc
    .record({
      vendor: fc.constantFrom('Saltglass', 'Mothlight', null),
      types: fc.constantFrom([], ['reverb/plate'], ['delay/tape'], ['dynamics']),
      state: fc.constantFrom('present' as const, 'gone' as const),
      format: fc.constantFrom(...formats),
    })
    .map(({ vendor, types, state, format }) =>
      aPlugin(id, { vendor, types, copies: [aCopy(`copy of ${id}`, format, { state })] }),
    );
const anyUse: fc.Arbitrary<PastUse> = fc.record({
  plugin: fc.constantFrom(...ids),
  at: fc.integer({ min: now - 500 * day, max: now }),
  track: fc.constantFrom(...trackKinds),
  after: fc.option(fc.constantFrom(...ids)),
  typed: fc.option(fc.constantFrom('a', 'Gul', 'p')),
  keys: fc.option(fc.nat(9)),
  took: fc.option(fc.nat(9_000)),
  folder: fc.option(fc.constantFrom('f0', 'f1')),
});

/** Some twelve plugins, a few folders, up to eighty loads of a year and a half. */
export const anyMaterial: fc.Arbitrary<ReviewMaterial> = fc
  .record({
    plugins: fc.tuple(...ids.map(anyPlugin)),
    uses: fc.array(anyUse, { maxLength: 80 }),
    folders: fc.array(fc.uniqueArray(fc.constantFrom(...ids)), { maxLength: 4 }),
    smart: fc.uniqueArray(fc.constantFrom(...ids)),
  })
  .map(({ plugins, uses, folders, smart }) =>
    aMaterial({
      plugins,
      uses,
      folders: [
        ...folders.map((inside, n) => aFolder(`f${n}`, inside)),
        aFolder('smart', smart, 'smart'),
      ],
    }),
  );
