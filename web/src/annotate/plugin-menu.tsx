/** What can be done to plugins, in one menu wherever they stand; the dialogs that its entries open. */
import { useState, type ReactNode } from 'react';
import { Dropdown } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { kinds, kindWords, licenceStates, type AnswerFacts } from '@clever-drawer/core/catalog';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { MenuItem } from '../ui/menu-item.tsx';
import { Kbd } from '../ui/kbd.tsx';
import { annotateAct, typeAct } from './annotate.ts';
import { FilePlugins } from './file-plugins.tsx';
import { favouritesAct } from './filing.ts';
import { NameDialog } from './name-dialog.tsx';
import type { MenuEntry, MenuTarget } from './menu-target.ts';
import { TagPicker } from './tag-picker.tsx';
import { TrialForm } from './trial-form.tsx';
import { TypesPicker } from './types-picker.tsx';
import * as texts from './texts.ts';

/** What an entry opens beside the menu. */
type Asked = 'file' | 'type' | 'tag' | 'trial' | 'name';

export interface PluginMenuProps {
  readonly target: MenuTarget;
  readonly onClose: () => void;
}

export function PluginMenu({ target, onClose }: PluginMenuProps) {
  const [asked, setAsked] = useState<Asked | null>(null);
  return asked === null ? (
    <Popup target={target} onAsk={setAsked} onClose={onClose} />
  ) : (
    <AskedDialog asked={asked} plugins={target.plugins} onClose={onClose} />
  );
}

interface AskedProps {
  readonly asked: Asked;
  readonly plugins: readonly string[];
  readonly onClose: () => void;
}

function AskedDialog({ asked, plugins, onClose }: AskedProps) {
  const { act } = useActs();
  const { pluginById } = useCatalog();
  const only = pluginById.get(plugins[0] ?? '');
  switch (asked) {
    case 'file':
      return <FilePlugins plugins={plugins} onClose={onClose} />;
    case 'type':
      return (
        <TypesPicker
          title={texts.whatTheseDo(plugins.length)}
          onTake={(type) => {
            act(typeAct(plugins, type));
          }}
          onClose={onClose}
        />
      );
    case 'tag':
      return <TagPicker plugins={plugins} onClose={onClose} />;
    case 'trial':
      return <TrialForm plugins={plugins} onClose={onClose} />;
    case 'name':
      return only ? <NameDialog plugin={only} onClose={onClose} /> : null;
  }
}

interface PopupProps extends PluginMenuProps {
  readonly onAsk: (asked: Asked) => void;
}

/** The everyday entries; those of one more kind take their place when they are asked for. */
function Popup({ target, onAsk, onClose }: PopupProps) {
  const { x, y, plugins } = target;
  const [part, setPart] = useState<'all' | 'kind' | 'licence'>('all');
  const { nameOf } = useArrangement();
  const { pluginById } = useCatalog();
  const only = plugins.length === 1 ? pluginById.get(plugins[0] ?? '') : undefined;
  const everyday = useEveryday(target, onAsk);
  const kindEntries = useKindEntries(plugins);
  const licenceEntries = useLicenceEntries(plugins, onAsk);
  const close = (entry: MenuEntry) => (): void => {
    entry.run();
    if (!entry.opensDialog) {
      onClose();
    }
  };
  const lines = (entries: readonly MenuEntry[]): ReactNode =>
    entries.map((entry) => (
      <MenuItem key={entry.words} onClick={close(entry)}>
        {entry.words} {entry.keys !== undefined && <Kbd keys={entry.keys} />}
      </MenuItem>
    ));
  const more = (to: 'kind' | 'licence', words: string): ReactNode => (
    <MenuItem
      onClick={() => {
        setPart(to);
      }}
    >
      {words} ›
    </MenuItem>
  );
  return (
    <Dropdown
      // Each part is a menu of its own, whose first entry is focused.
      key={part}
      show
      autoClose="outside"
      focusFirstItemOnShow
      className="plugin-menu"
      style={{ left: x, top: y }}
      onToggle={(isNow) => {
        if (!isNow) {
          onClose();
        }
      }}
    >
      <Dropdown.Toggle as="span" tabIndex={-1} aria-hidden className="plugin-menu-spot" />
      <Dropdown.Menu>
        <Dropdown.Header>
          {only ? nameOf(only) : texts.someOrAllPlugins(plugins.length)}
        </Dropdown.Header>
        {part === 'all' && (
          <>
            {lines(everyday)}
            <Dropdown.Divider />
            {more('kind', texts.itsKind)}
            {more('licence', texts.licenceAndHiding)}
          </>
        )}
        {part === 'kind' && lines(kindEntries)}
        {part === 'licence' && lines(licenceEntries)}
      </Dropdown.Menu>
    </Dropdown>
  );
}

/** What the place itself offers, then what is done every day. */
function useEveryday(
  { plugins, keys = {}, entries = [] }: MenuTarget,
  onAsk: (asked: Asked) => void,
): MenuEntry[] {
  const { act } = useActs();
  const { arrangement } = useArrangement();
  const navigate = useNavigate();
  const asking = (asked: Asked, words: string): MenuEntry => ({
    words,
    keys: keys[asked],
    opensDialog: true,
    run: () => {
      onAsk(asked);
    },
  });
  const favourites = favouritesAct(arrangement, plugins);
  const isOne = plugins.length === 1;
  return [
    ...entries,
    asking('file', texts.fileInAFolder),
    ...(favourites
      ? [
          {
            words:
              favourites.act === 'take-out' ? texts.removeFromFavourites : texts.addToFavourites,
            keys: keys.favour,
            run: () => {
              act(favourites);
            },
          },
        ]
      : []),
    asking('type', texts.chooseTypes),
    asking('tag', texts.tag),
    ...(isOne ? [asking('name', texts.nicknameAndNames)] : []),
    ...(isOne && keys.page !== null
      ? [
          {
            words: texts.openItsPage,
            keys: keys.page,
            run: () => {
              void navigate(`/plugin/${plugins[0] ?? ''}`);
            },
          },
        ]
      : []),
  ];
}

/** Says something of all the plugins. */
function useSaying(plugins: readonly string[]) {
  const { act } = useActs();
  return (words: string, set: Partial<AnswerFacts>): MenuEntry => ({
    words,
    run: () => {
      act(annotateAct(plugins, set));
    },
  });
}

function useKindEntries(plugins: readonly string[]): MenuEntry[] {
  const saying = useSaying(plugins);
  const they = texts.theyAre(plugins.length);
  return kinds
    .filter((kind) => kind !== 'unknown')
    .map((kind) =>
      saying(`${they} ${kindWords[kind][plugins.length === 1 ? 'one' : 'many']}`, { kind }),
    );
}

function useLicenceEntries(plugins: readonly string[], onAsk: (asked: Asked) => void): MenuEntry[] {
  const { answers } = useCatalog();
  const saying = useSaying(plugins);
  const they = texts.theyAre(plugins.length);
  const isAllHidden = plugins.every((id) => answers.get(id)?.isHidden);
  return [
    saying(isAllHidden ? texts.showInLoad : texts.hideInLoad, {
      isHidden: !isAllHidden,
    }),
    ...licenceStates.map((state) =>
      state === 'trial'
        ? {
            words: `${they} ${texts.onTrial}`,
            opensDialog: true,
            run: () => {
              onAsk('trial');
            },
          }
        : saying(`${they} ${state}`, { licence: { state, until: null } }),
    ),
    saying(texts.licenceNotKnown, { licence: null }),
  ];
}
