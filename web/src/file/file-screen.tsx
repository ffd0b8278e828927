/** File: the whole catalog at the left, the drawers at the right, the tray below. */
import { useCallback, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Plugin } from '@clever-drawer/core/catalog';
import type { Placement } from '@clever-drawer/core/order';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { annotateAct, typeAct } from '../annotate/annotate.ts';
import {
  FileIn,
  NameDialog,
  PluginMenu,
  TypesPicker,
  useDialogsBehind,
} from '../annotate/behind.ts';
import { useRecentFolders } from '../annotate/use-recent-folders.ts';
import { useKeys } from '../ui/keys.ts';
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
import { useTray, type TrayState } from './tray/use-tray.ts';
import * as texts from './texts.ts';

export function FileScreen() {
  useFormsBehind();
  useDialogsBehind();
  usePickerBehind();
  const { pluginById } = useCatalog();
  const tray = useTray();
  const [active, setActive] = useState<string | null>(null);
  const [dialog, setDialog] = useState<Dialog>(null);
  const box = useRef<HTMLDivElement>(null);
  const menu = useMenuTarget();
  const openMenu = menu.open;
  const [open, setOpen] = useOpenFolder();
  const wishes = useMemo(
    () => ({
      setOpen,
      choose: setActive,
      openMenu,
      moveOn: (placement: Placement) => {
        setDialog(placement);
      },
    }),
    [setOpen, openMenu],
  );
  const chest = useChest(open, wishes);
  const moving = typeof dialog === 'object' && dialog !== null ? dialog : undefined;
  const activePlugin = active === null ? undefined : pluginById.get(active);
  const { lately, onFiled } = useRecentFolders();
  const fileIt = useCallback(() => {
    setDialog('file');
  }, []);
  const suggest = useCallback(() => {
    setDialog('suggest');
  }, []);
  const closeDialog = (): void => {
    setDialog(null);
    if (!moving) {
      box.current?.focus();
    }
  };
  useScreenKeys({ tray, active, activePlugin, setDialog });
  return (
    <Dragging tray={tray} acts={chest.acts} onFiled={onFiled}>
      <main id="content" tabIndex={-1} className="file-screen">
        <ListPane
          active={active}
          setActive={setActive}
          tray={tray}
          box={box}
          onSuggestions={suggest}
          onMenu={openMenu}
          onFile={fileIt}
        />
        <Chest chest={chest} />
        <Tray
          tray={tray.ids}
          onTakeOut={tray.toggle}
          onEmpty={tray.empty}
          onMenu={openMenu}
          onFile={() => {
            setDialog('file tray');
          }}
        />
      </main>
      <Dialogs
        dialog={dialog}
        tray={tray}
        activePlugin={activePlugin}
        lately={lately}
        onFiled={onFiled}
        onClose={closeDialog}
      />
      {menu.target && <PluginMenu target={menu.target} onClose={menu.close} />}
    </Dragging>
  );
}

/** What the keys of the screen act on: the row that is lit; the tray has acts of its own. */
interface KeyScene {
  readonly tray: TrayState;
  readonly active: string | null;
  readonly activePlugin: Plugin | undefined;
  readonly setDialog: (dialog: Dialog) => void;
}

function useScreenKeys(scene: KeyScene): void {
  const { tray, active, activePlugin, setDialog } = scene;
  const { answers } = useCatalog();
  const { act } = useActs();
  const { arrangement } = useArrangement();
  const navigate = useNavigate();
  const ask = (dialog: Dialog, isPossible: boolean): void => {
    if (isPossible) {
      setDialog(dialog);
    }
  };
  const isLit = activePlugin !== undefined;
  const hide = (): void => {
    if (isLit) {
      act(annotateAct([activePlugin.id], { isHidden: !answers.get(activePlugin.id)?.isHidden }));
    }
  };
  const favour = (): void => {
    const wanted = active === null ? null : favouritesAct(arrangement, [active]);
    if (wanted) {
      act(wanted);
    }
  };
  useKeys({
    F: () => ask('file', isLit),
    'Shift+F': () => ask('file tray', tray.ids.size > 0),
    N: () => ask('name', isLit),
    T: () => ask('type', isLit),
    H: hide,
    G: () => ask('suggest', true),
    I: () => active !== null && void navigate(`/plugin/${active}`),
    Space: () => active !== null && tray.toggle(active),
    B: favour,
  });
}

interface DialogsProps {
  readonly dialog: Dialog;
  readonly tray: TrayState;
  readonly activePlugin: Plugin | undefined;
  readonly lately: readonly string[];
  readonly onFiled: (folder: string) => void;
  readonly onClose: () => void;
}

function Dialogs(props: DialogsProps) {
  const { dialog, tray, activePlugin, lately, onFiled, onClose } = props;
  const filing = { lately, onFiled, onClose };
  if (typeof dialog === 'object' && dialog !== null) {
    return <FileIn plugins={[dialog.plugin]} moving={dialog} {...filing} />;
  }
  if (dialog === 'file tray' && tray.ids.size > 0) {
    return <FileTray tray={tray} {...filing} />;
  }
  if (dialog === 'file' && activePlugin) {
    return <FileIn plugins={[activePlugin.id]} {...filing} />;
  }
  if (dialog === 'suggest') {
    return <Suggestions onClose={onClose} />;
  }
  if (dialog === 'type' && activePlugin) {
    return <TypesOf plugin={activePlugin} onClose={onClose} />;
  }
  return dialog === 'name' && activePlugin ? (
    <NameDialog plugin={activePlugin} onClose={onClose} />
  ) : null;
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

function TypesOf({ plugin, onClose }: { plugin: Plugin; onClose: () => void }) {
  const { act } = useActs();
  return (
    <TypesPicker
      title={texts.typeOf(plugin.name)}
      onTake={(type) => {
        act(typeAct([plugin.id], type));
      }}
      onClose={onClose}
    />
  );
}

/** What is asked in a dialog; a placement is one that is moved to another folder. */
type Dialog = 'file' | 'file tray' | 'name' | 'type' | 'suggest' | Placement | null;

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
