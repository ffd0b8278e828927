/**
 * Ctrl+K: any plugin, saved setting, folder, cabinet, vendor, tag, screen or command by a few
 * letters. Plugins are found as in Load; only what is shown is made.
 */
import { useNavigate } from 'react-router';
import type { Plugin } from '@clever-drawer/core/catalog';
import type { Folder } from '@clever-drawer/core/order';
import { habitsOf, noUse, type FindableThing } from '@clever-drawer/core/search';
import { taggedWith } from '../annotate/tagged-with.ts';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { screenParts } from '../studio/parts/screen-parts.ts';
import { screens } from '../studio/screens.ts';
import { useFinder, useSettingFinder } from '../studio/use-finder.ts';
import { ofWhat } from '../annotate/of-what.ts';
import { Kbd } from '../ui/kbd.tsx';
import { ranked, type Rankable } from '../ui/model/ranked.ts';
import { Picker, type Choice } from '../ui/picker.tsx';
import * as texts from './texts.ts';

/** What can be done from everywhere: going to a screen, or an act. */
export interface Doable extends Rankable {
  readonly sort: 'Screen' | 'Command';
  readonly keys?: string;
  readonly does: () => void;
}

interface Props {
  readonly onClose: () => void;
  readonly doable: readonly Doable[];
}

/** Going to the parts of screens that have addresses of their own. */
const partsOf = (go: (path: string) => () => void): Doable[] =>
  screenParts.map(({ screen, address, name, keywords }) => ({
    sort: texts.screen,
    text: `${screens[screen].name}: ${name}`,
    keywords: [name, ...keywords],
    does: go(address),
  }));

/** Plugins shown at once; of everything else that many besides. */
const pluginsShown = 40;
const othersShown = 12;
const noHabits = habitsOf(noUse);

/** Something to go to: its words, of what sort it is, and what choosing it does. */
interface Place extends Rankable {
  readonly id: string;
  readonly sort: string;
  readonly take: () => void;
}

export function FindAnything({ onClose, doable }: Props) {
  const { arrangement, nameOf } = useArrangement();
  const navigate = useNavigate();
  const finder = useFinder();
  const go = (path: string) => (): void => {
    void navigate(path);
  };
  const places = usePlaces(go);
  const settings = useSettingFinder();
  const folders = arrangement.folders
    .filter((folder) => folder.form !== 'divider')
    .map((folder) => ({ text: folder.name, folder }));
  const isNoSetting = ({ setting }: Plugin): boolean => setting === undefined;
  const pluginsFor = (letters: string): Choice[] =>
    finder
      .find(letters, noHabits, pluginsShown, isNoSetting)
      .hits.map(({ plugin }) => pluginChoice(plugin, nameOf(plugin), go(`/plugin/${plugin.id}`)));
  const search = (typed: string): Choice[] => {
    const letters = typed.trim();
    // Cabinets, vendors and tags are many: they come when letters ask for them.
    const asked = letters === '' ? [] : ranked(places, letters).slice(0, othersShown);
    const plugins = pluginsFor(letters);
    const others = [
      ...ranked([...doable, ...partsOf(go)], letters).map(doableChoice),
      ...ranked(folders, letters)
        .slice(0, othersShown)
        .map(({ folder }) => folderChoice(folder, go(`/file?open=${folder.id}`))),
      ...asked.map(placeChoice),
      ...settings
        .find(letters, othersShown)
        .map((setting) => settingChoice(setting, go(`/plugin/${setting.thing.id}`))),
    ];
    // A plugin that has just these letters as its name stands in front of all, as in Load.
    const isExact = plugins[0]?.text.toLowerCase() === letters.toLowerCase();
    const before = isExact ? 1 : 0;
    return [...plugins.slice(0, before), ...others, ...plugins.slice(before)];
  };
  return (
    <Picker
      title={texts.findAnything}
      prompt={texts.whatCanBeFound}
      choices={[]}
      search={search}
      onClose={onClose}
    />
  );
}

/** Cabinets, vendors and tags, each with where it leads. */
function usePlaces(go: (path: string) => () => void): Place[] {
  const { cabinets, chooseCabinet } = useArrangement();
  const { plugins, answers } = useCatalog();
  const vendors = [...new Set(plugins.map(({ vendor }) => vendor ?? ''))].filter(
    (vendor) => vendor !== '',
  );
  return [
    ...cabinets.map(({ id, name }) => ({
      id,
      text: name,
      sort: 'cabinet',
      take: () => {
        chooseCabinet(id);
        go('/file')();
      },
    })),
    ...taggedWith(answers).map(({ tag }) => ({
      id: `tag ${tag}`,
      text: tag,
      sort: 'tag',
      take: go(`/file?tag=${encodeURIComponent(tag)}`),
    })),
    ...vendors.map((vendor) => ({
      id: `vendor ${vendor}`,
      text: vendor,
      sort: 'vendor',
      take: go(`/file?vendor=${encodeURIComponent(vendor)}`),
    })),
  ];
}

const settingChoice = ({ thing, names: [name = ''] }: FindableThing, take: () => void): Choice => ({
  id: `setting ${thing.id}`,
  text: name,
  take,
  show: (
    <>
      {name} <span className="text-soft">{ofWhat(thing)}</span>
    </>
  ),
});

const placeChoice = ({ id, text, sort, take }: Place): Choice => ({
  id,
  text,
  take,
  show: (
    <>
      {text} <span className="text-soft">{sort}</span>
    </>
  ),
});

const doableChoice = ({ text, sort, keys, does }: Doable): Choice => ({
  id: `${sort} ${text}`,
  text,
  take: does,
  show: (
    <>
      <span className="text-soft">{sort}</span> {text} {keys && <Kbd keys={keys} />}
    </>
  ),
});

const folderChoice = (folder: Folder, take: () => void): Choice => ({
  id: folder.id,
  text: folder.name,
  take,
  show: (
    <>
      <span className={`label ${folder.form === 'smart' ? 'smart' : ''}`}>{folder.name}</span>{' '}
      <span className="text-soft">{texts.folder}</span>
    </>
  ),
});

const pluginChoice = (plugin: Plugin, name: string, take: () => void): Choice => ({
  id: plugin.id,
  text: name,
  take,
  show: (
    <>
      <strong>{name}</strong> <span className="text-soft">{plugin.vendor}</span>
    </>
  ),
});
