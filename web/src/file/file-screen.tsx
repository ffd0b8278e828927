/** File: the whole catalog at the left, the drawers at the right, the tray below. */
import { useCallback, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Placement } from '@clever-drawer/core/order';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { annotateAct, typeAct } from '../annotate/annotate.ts';
import {
  FileIn,
  NameDialog,
  PluginMenu,
  TagPicker,
  TypesPicker,
  useDialogsBehind,
} from '../annotate/behind.ts';
import { useRecentFolders } from '../annotate/use-recent-folders.ts';
import { useKeys } from '../ui/keys.ts';
import { useNotices } from '../ui/notices.tsx';
import { usePickerBehind } from '../ui/picker.tsx';
import { useAddress } from '../ui/use-address.ts';
import { useLatest } from '../ui/use-latest.ts';
import { favouritesAct } from '../annotate/filing.ts';
import { useMenuTarget } from '../annotate/menu-target.ts';
import { Suggestions, useFormsBehind } from './forms/behind.ts';
import { Chest } from './chest/chest.tsx';
import { Dragging } from './drag/dragging.tsx';
import './file.css';
import { ListPane } from './list/list-pane.tsx';
import { Tray } from './tray/tray.tsx';
import { useChest } from './chest/use-chest.ts';
import { actedOn, type ActedOn, type Spot } from './model/acted-on.ts';
import { useTray, type TrayState } from './tray/use-tray.ts';
import * as texts from './texts.ts';

export function FileScreen() {
  useFormsBehind();
  useDialogsBehind();
  usePickerBehind();
  const tray = useTray();
  const [spot, setSpot] = useState<Spot | null>(null);
  const [dialog, setDialog] = useState<Dialog | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const menu = useMenuTarget();
  const openMenu = menu.open;
  const [open, setOpen] = useOpenFolder();
  const setActive = useCallback((plugin: string | null) => {
    setSpot(plugin === null ? null : { plugin, selected: [], isInList: true });
  }, []);
  const acted = actedOn(spot, tray.ids);
  const fileIt = useLatest(() => {
    setDialog({ kind: 'file', ...acted });
  });
  const wishes = useMemo(
    () => ({
      setOpen,
      choose: (plugin: string, selected: readonly string[]) => {
        setSpot({ plugin, selected, isInList: false });
      },
      openMenu,
      moveOn: (placements: readonly Placement[]) => {
        setDialog({ kind: 'move', placements });
      },
      file: fileIt,
    }),
    [setOpen, openMenu, fileIt],
  );
  const chest = useChest(open, wishes);
  const { lately, onFiled } = useRecentFolders();
  const suggest = useCallback(() => {
    setDialog({ kind: 'suggest' });
  }, []);
  const closeDialog = (): void => {
    setDialog(null);
    if (spot?.isInList ?? true) {
      box.current?.focus();
    }
  };
  useScreenKeys({ tray, spot, acted, setDialog });
  return (
    <Dragging tray={tray} acts={chest.acts} onFiled={onFiled}>
      <main id="content" tabIndex={-1} className="file-screen">
        <ListPane
          active={spot?.plugin ?? null}
          setActive={setActive}
          tray={tray}
          box={box}
          onSuggestions={suggest}
          onMenu={openMenu}
          onFile={fileIt}
          acted={acted}
        />
        <Chest chest={chest} />
        <Tray
          tray={tray.ids}
          onTakeOut={tray.toggle}
          onEmpty={tray.empty}
          onMenu={openMenu}
          onFile={() => {
            setDialog({ kind: 'file', plugins: [...tray.ids], isTray: true });
          }}
        />
      </main>
      <Dialogs
        dialog={dialog}
        tray={tray}
        lately={lately}
        onFiled={onFiled}
        onClose={closeDialog}
      />
      {menu.target && <PluginMenu target={menu.target} onClose={menu.close} />}
    </Dragging>
  );
}

/** What the keys of the screen act on. */
interface KeyScene {
  readonly tray: TrayState;
  readonly spot: Spot | null;
  readonly acted: ActedOn;
  readonly setDialog: (dialog: Dialog) => void;
}

function useScreenKeys({ tray, spot, acted, setDialog }: KeyScene): void {
  const { answers } = useCatalog();
  const { act } = useActs();
  const { notify } = useNotices();
  const { arrangement } = useArrangement();
  const navigate = useNavigate();
  const { plugins } = acted;
  const ask = (dialog: Dialog): void => {
    if (plugins.length > 0) {
      setDialog(dialog);
    }
  };
  const hide = (): void => {
    if (plugins.length > 0) {
      const isHidden = plugins.every((id) => answers.get(id)?.isHidden);
      act(annotateAct(plugins, { isHidden: !isHidden }));
    }
  };
  const favour = (): void => {
    const wanted = plugins.length === 0 ? null : favouritesAct(arrangement, plugins);
    if (wanted) {
      act(wanted);
    }
  };
  const name = (): void => {
    if (plugins.length > 1) {
      notify(texts.nameOneAtATime, 'trouble');
    } else {
      ask({ kind: 'name', plugin: plugins[0] ?? '' });
    }
  };
  useKeys({
    F: () => {
      ask({ kind: 'file', ...acted });
    },
    'Shift+F': () => {
      if (tray.ids.size > 0) {
        setDialog({ kind: 'file', plugins: [...tray.ids], isTray: true });
      }
    },
    N: name,
    T: () => {
      ask({ kind: 'type', plugins });
    },
    L: () => {
      ask({ kind: 'tag', plugins });
    },
    H: hide,
    G: () => {
      setDialog({ kind: 'suggest' });
    },
    I: () => spot && void navigate(`/plugin/${spot.plugin}`),
    Space: () => spot && tray.toggle(spot.plugin),
    B: favour,
  });
}

/** What is asked in a dialog. */
type Dialog =
  | ({ readonly kind: 'file' } & ActedOn)
  | { readonly kind: 'move'; readonly placements: readonly Placement[] }
  | { readonly kind: 'name'; readonly plugin: string }
  | { readonly kind: 'type' | 'tag'; readonly plugins: readonly string[] }
  | { readonly kind: 'suggest' };

interface DialogsProps {
  readonly dialog: Dialog | null;
  readonly tray: TrayState;
  readonly lately: readonly string[];
  readonly onFiled: (folder: string) => void;
  readonly onClose: () => void;
}

function Dialogs({ dialog, tray, lately, onFiled, onClose }: DialogsProps) {
  const { pluginById } = useCatalog();
  const filing = { lately, onFiled, onClose };
  switch (dialog?.kind) {
    case undefined:
      return null;
    case 'move': {
      const plugins = dialog.placements.map(({ plugin }) => plugin);
      return <FileIn plugins={plugins} moving={dialog.placements} {...filing} />;
    }
    case 'file':
      return dialog.isTray ? (
        <FileTray tray={tray} {...filing} />
      ) : (
        <FileIn plugins={dialog.plugins} {...filing} />
      );
    case 'suggest':
      return <Suggestions onClose={onClose} />;
    case 'type':
      return <TypesOf plugins={dialog.plugins} onClose={onClose} />;
    case 'tag':
      return <TagPicker plugins={dialog.plugins} onClose={onClose} />;
    case 'name': {
      const plugin = pluginById.get(dialog.plugin);
      return plugin ? <NameDialog plugin={plugin} onClose={onClose} /> : null;
    }
  }
}

interface FileTrayProps {
  readonly tray: TrayState;
  readonly lately: readonly string[];
  readonly onFiled: (folder: string) => void;
  readonly onClose: () => void;
}

/** Files all of the tray, which is empty then; undo fills it again. */
function FileTray({ tray, onFiled, ...rest }: FileTrayProps) {
  const plugins = [...tray.ids];
  return (
    <FileIn
      plugins={plugins}
      {...rest}
      onFiled={(folder) => {
        tray.empty();
        onFiled(folder);
      }}
      onUndone={() => {
        tray.add(plugins);
      }}
    />
  );
}

interface TypesOfProps {
  readonly plugins: readonly string[];
  readonly onClose: () => void;
}

function TypesOf({ plugins, onClose }: TypesOfProps) {
  const { act } = useActs();
  const { pluginById } = useCatalog();
  const only = plugins.length === 1 ? pluginById.get(plugins[0] ?? '') : undefined;
  return (
    <TypesPicker
      title={only ? texts.typeOf(only.name) : texts.typeOfAll(plugins.length)}
      onTake={(type) => {
        act(typeAct(plugins, type));
      }}
      onClose={onClose}
    />
  );
}

/** The open folder stands in the address. */
function useOpenFolder(): [string | null, (folder: string | null) => void] {
  const [params, changeAddress] = useAddress();
  // The router's function is another one after every step of the address; the chest need not be
  // drawn again for that.
  const setOpen = useLatest((folder: string | null) => {
    changeAddress({ open: folder }, { replace: true });
  });
  return [params.get('open'), setOpen];
}
