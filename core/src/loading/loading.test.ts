/** What stands around finding: marks, why not, what was forgotten. */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { nothingSaid } from '../catalog/answer.ts';
import type { CopyCard, Plugin } from '../catalog/plugin.ts';
import type { Folder, Placement } from '../order/records.ts';
import { wordsOf } from '../text/fold.ts';
import { asId, type FolderId, type PluginId } from '../id.ts';
import {
  acceptsAll,
  cabinetSlotAt,
  copyToLoad,
  whyNot,
  whyNotHere,
  type TakenBySession,
} from './loadability.ts';
import { forgotten } from './forgotten.ts';
import { acrossWords } from '../search/match.ts';
import { highlightedSpans } from '../search/highlight.ts';
import { placesIn } from '../search/places.ts';

const copy = (more: Partial<CopyCard> = {}): CopyCard => ({
  id: asId('c'),
  format: 'VST3',
  path: '/p',
  version: null,
  hasPicture: false,
  is32Bit: false,
  isFailed: false,
  audioIn: null,
  audioOut: null,
  state: 'present',
  ...more,
});
const plugin = (name: string, more: Partial<Plugin> = {}): Plugin => ({
  id: asId(name),
  name,
  vendor: null,
  kind: 'effect',
  types: [],
  arrived: '2026-01-01',
  copies: [copy()],
  ...more,
});

describe('letters that were met', () => {
  const marked = (name: string, typed: string): string =>
    highlightedSpans(name, typed)
      .map(({ start, end }) => name.slice(start, end))
      .join('|');
  it('stand in a row, at the beginnings of several words, or word by word', () => {
    expect([
      marked('Slackwater Delay', 'slack'),
      marked('Slackwater Delay', 'del'),
      marked('Slackwater Delay', 'sd'),
      marked('Slackwater Delay', 'sladel'),
      marked('TapeEcho 2', 'echo2'),
      marked('Salt Line', 'li sa'),
      marked('Silt', 'zz'),
    ]).toEqual(['Slack', 'Del', 'S|D', 'Sla|Del', 'Echo|2', 'Li|Sa', '']);
  });
  it('do not take long to look for', () =>
    expect(
      highlightedSpans(Array<string>(60).fill('aaaa').join(' '), `${'a'.repeat(100)}b`),
    ).toEqual([]));
  it('are all that was typed wherever the words have it', () => {
    const word = fc.constantFrom('Slack', 'Salt', 'Tape', 'De', 'Delay');
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 1, maxLength: 4 }),
        fc.string({
          unit: fc.constantFrom('s', 'l', 'a', 't', 'd', 'e'),
          minLength: 1,
          maxLength: 5,
        }),
        (words, typed) => {
          const name = words.join(' ');
          expect(marked(name, typed).replaceAll('|', '').toLowerCase() === typed).toBe(
            acrossWords(wordsOf(name), typed),
          );
        },
      ),
    );
  });
});

describe('why a plugin cannot be loaded', () => {
  const why = (
    one: Plugin,
    said: Partial<typeof nothingSaid> = {},
    accepts: TakenBySession = acceptsAll,
  ): string | null => whyNot(one, 'effect', { ...nothingSaid, ...said }, accepts, '2026-11-24');
  it('is said in words, the first reason that no other copy mends', () => {
    expect(why(plugin('a'))).toBeNull();
    expect([
      why(plugin('a', { kind: 'instrument' })),
      why(plugin('a'), { isHidden: true }),
      why(plugin('a'), { licence: { state: 'not licensed', until: null } }),
      why(plugin('a'), { licence: { state: 'trial', until: '2026-11-23' } }),
    ]).toEqual([
      'an instrument, and this is a slot for effects',
      'hidden from loading',
      'not licensed',
      'its trial ended on 2026-11-23',
    ]);
    expect(why(plugin('a'), { licence: { state: 'trial', until: '2026-11-24' } })).toBeNull();
    expect(
      [
        { state: 'gone' as const },
        { state: 'away' as const },
        { isFailed: true },
        { is32Bit: true },
      ].map((more) => why(plugin('a', { copies: [copy(more)] }))),
    ).toEqual([
      'gone from the disk',
      'out of reach: its place is not there now',
      'failed when it was examined',
      '32 bit only, which the session does not take',
    ]);
    expect(
      why(
        plugin('a', { copies: [copy({ is32Bit: true }), copy({ state: 'gone' })] }),
        {},
        { ...acceptsAll, takes32Bit: true },
      ),
    ).toBeNull();
    expect(why(plugin('a'), {}, { formats: ['LV2'], takes32Bit: false })).toBe(
      'VST3, which the session does not take',
    );
  });
  it('is said of a chain by the first of its plugins that cannot be loaded where it would stand', () => {
    const members = new Map(
      [
        plugin('piano', { kind: 'instrument' }),
        plugin('verb'),
        plugin('old', { copies: [copy({ state: 'gone' })] }),
      ].map((one) => [one.id as string, one]),
    );
    const whyChain = (kind: Plugin['kind'], ...chain: string[]): string | null =>
      whyNotHere(
        plugin('chain', { kind, copies: [], chain: chain.map((id) => asId(id)) }),
        kind === 'instrument' ? 'instrument' : 'effect',
        {
          pluginOf: (id) => members.get(id),
          saidOf: () => undefined,
          accepts: acceptsAll,
          today: '2026-11-24',
        },
      );
    expect([
      whyChain('instrument', 'piano', 'verb'),
      whyChain('effect', 'verb', 'old'),
      whyChain('effect', 'verb', 'piano'),
      whyChain('effect', 'lost'),
    ]).toEqual([
      null,
      'its old: gone from the disk',
      'its piano: an instrument, and this is a slot for effects',
      'its plugin: no longer in the catalog',
    ]);
  });
  it('leaves the copy that is taken: by the order of formats, among those that the session takes', () => {
    const both = plugin('a', {
      copies: [
        copy({ id: asId('v'), format: 'VST3' }),
        copy({ id: asId('l'), format: 'LV2' }),
        copy({ id: asId('c'), format: 'CLAP', isFailed: true }),
      ],
    });
    expect([
      copyToLoad(both, acceptsAll, { order: ['CLAP', 'LV2', 'VST3'] })?.id,
      copyToLoad(both, { ...acceptsAll, formats: ['VST3'] }, { order: ['LV2'] })?.id,
      copyToLoad(both, { ...acceptsAll, formats: ['AU'] }),
    ]).toEqual(['l', 'v', undefined]);
  });
  it('knows which cabinets a slot opens', () =>
    expect([
      cabinetSlotAt('instrument', 0),
      cabinetSlotAt('instrument', 1),
      cabinetSlotAt('notes', 3),
      cabinetSlotAt('bus', 0),
    ]).toEqual(['instrument', 'track', 'note-effect', 'bus']));
});

describe('what was forgotten', () => {
  it('was thought well of and not loaded for three months, the most thought of first', () => {
    const regard = {
      fresh: [9, '2026-11-01'],
      old: [9, '2026-05-01'],
      loved: [0, null],
      unknown: [0, null],
      filed: [0, null],
    } as const;
    const list = forgotten(
      Object.keys(regard).map((name) => plugin(name)),
      (id) => {
        const [loads, lastLoaded] = regard[id as keyof typeof regard];
        return { loads, lastLoaded, isFavourite: id === 'loved', folders: id === 'filed' ? 2 : 0 };
      },
      Date.parse('2026-11-24'),
    );
    expect(list.map((one) => [one.plugin.name, one.because])).toEqual([
      ['loved', 'a favourite, never loaded'],
      ['old', 'loaded 9 times, not for 207 days'],
      ['filed', 'filed in 2 folders, never loaded'],
    ]);
  });
});

describe('places in a cabinet', () => {
  it('go through its folders from the front, what stands in two counts where it stands first, and a smart folder is one place', () => {
    const folder = (id: string): Folder => ({ id: asId<FolderId>(id) }) as Folder;
    const placed = (...ids: string[]): Placement[] =>
      ids.map((id) => ({ plugin: asId<PluginId>(id) }) as Placement);
    const places = placesIn(
      {
        below: new Map([
          ['cabinet', [folder('one'), folder('two')]],
          ['one', [folder('smart')]],
          ['other', [folder('three')]],
        ]),
        placements: new Map([
          ['one', placed('a', 'b')],
          ['two', placed('b', 'd', 'c')],
          ['three', placed('e')],
        ]),
        members: new Map([['smart', ['c', 'f'].map((id) => asId<PluginId>(id))]]),
      },
      'cabinet',
    );
    expect([...places]).toEqual([
      ['a', 0],
      ['b', 1 / 6],
      ['c', 2 / 6],
      ['f', 2 / 6],
      ['d', 4 / 6],
    ]);
  });
});
