/** All that is known of one plugin, and all that the user says of it. */
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { ArrowLeft, MoreHorizontal, Pencil } from 'lucide-react';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useNavigate, useParams } from 'react-router';
import type { PluginView } from '@clever-drawer/core/api';
import { because } from '@clever-drawer/core/arrangement';
import { faceOf, isPresent, type Plugin } from '@clever-drawer/core/catalog';
import type { Folder, Placement } from '@clever-drawer/core/order';
import { typeName } from '@clever-drawer/core/taxonomy';
import { useActs, useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { FilePlugins, NameDialog, PluginMenu, useDialogsBehind } from '../annotate/behind.ts';
import { favouritesAct } from '../annotate/filing.ts';
import { useMenuTarget } from '../annotate/menu-target.ts';
import { usePickerBehind } from '../ui/picker.tsx';
import { Faceplate } from '../ui/faceplate.tsx';
import { ofWhat } from '../annotate/of-what.ts';
import { useKeys } from '../ui/keys.ts';
import { Copies } from './copies.tsx';
import { Findings, Loads } from './over-time.tsx';
import { OwnPicture } from './own-picture.tsx';
import { SettingOf, Settings } from './settings.tsx';
import './plugin.css';
import { Annotations } from './annotations/annotations.tsx';
import { Why } from './why.tsx';
import { useDocumentTitle } from '../ui/use-document-title.ts';
import * as texts from './texts.ts';

export function PluginPage() {
  useDialogsBehind();
  usePickerBehind();
  const { plugin: id = '' } = useParams();
  const { pluginById, plugins } = useCatalog();
  const plugin = pluginById.get(id);
  if (!plugin) {
    return (
      <main id="content" tabIndex={-1} className="empty">
        <h1>{texts.thisPluginIs}</h1>
        <p>
          {plugins.length > 0 ? texts.itMayHaveBeenMerged : texts.theCatalogIsEmpty}{' '}
          <Link to="/file">{texts.goToFile}</Link>.
        </p>
      </main>
    );
  }
  return <Page key={id} plugin={plugin} />;
}

function Page({ plugin }: { plugin: Plugin }) {
  const { client } = useComputer();
  const { nameOf, namesOf } = useArrangement();
  useDocumentTitle(nameOf(plugin));
  const navigate = useNavigate();
  const [isNaming, setNaming] = useState(false);
  const [isFiling, setFiling] = useState(false);
  const { arrangement } = useArrangement();
  const { act } = useActs();
  const view = useQuery({
    queryKey: ['plugin', client.computer, faceOf(plugin)],
    queryFn: () => client.plugin(faceOf(plugin)),
  });
  const name = nameOf(plugin);
  const label = namesOf(plugin.id)?.slotLabel;
  useKeys({
    N: () => {
      setNaming(true);
    },
    F: () => {
      setFiling(true);
    },
    B: () => {
      const favour = favouritesAct(arrangement, [plugin.id]);
      if (favour) {
        act(favour);
      }
    },
    Escape: () => {
      void navigate(-1);
    },
  });
  return (
    <main id="content" tabIndex={-1} className="plugin-page">
      <PageHead plugin={plugin} name={name} setNaming={setNaming} label={label} />
      <PageColumns plugin={plugin} view={view} />
      {isFiling && (
        <FilePlugins
          plugins={[plugin.id]}
          onClose={() => {
            setFiling(false);
          }}
        />
      )}
      {isNaming && (
        <NameDialog
          plugin={plugin}
          onClose={() => {
            setNaming(false);
          }}
        />
      )}
    </main>
  );
}

function PageColumns({
  plugin,
  view,
}: {
  readonly plugin: Plugin;
  readonly view: UseQueryResult<PluginView>;
}) {
  return (
    <div className="plugin-columns">
      <div>
        <Annotations plugin={plugin} />
        <Folders plugin={plugin} />
        <Similar plugin={plugin} />
      </div>
      <div>
        <MadeOf plugin={plugin} view={view} />
      </div>
      <div>
        {!plugin.setting && <Loads view={view.data} />}
        {!plugin.setting && <Findings view={view.data} />}
      </div>
    </div>
  );
}

interface MadeOfProps {
  readonly plugin: Plugin;
  readonly view: UseQueryResult<PluginView>;
}

/** The plugins of a chain, the plugin of a setting, or the copies and settings of a plugin. */
function MadeOf({ plugin, view }: MadeOfProps) {
  if (plugin.chain) {
    return <ChainOf plugin={plugin} chain={plugin.chain} />;
  }
  if (plugin.setting) {
    return <SettingOf thing={plugin} setting={plugin.setting} />;
  }
  return (
    <>
      <Copies plugin={plugin} view={view.data} />
      <Settings view={view.data} />
      <Why plugin={plugin} view={view.data} />
    </>
  );
}

interface PageHeadProps {
  readonly plugin: Plugin;
  readonly name: string;
  readonly setNaming: React.Dispatch<React.SetStateAction<boolean>>;
  readonly label: string | null | undefined;
}

function PageHead({ plugin, name, setNaming, label }: PageHeadProps) {
  const navigate = useNavigate();
  const { pictureOf } = useCatalog();
  return (
    <header className="plugin-head">
      <Button
        variant="bare"
        size="sm"
        className="back"
        onClick={() => {
          void navigate(-1);
        }}
      >
        <ArrowLeft size={15} aria-hidden /> {texts.back} <kbd>Esc</kbd>
      </Button>
      <OwnPicture plugin={plugin}>
        <Faceplate seed={faceOf(plugin)} width={168} picture={pictureOf(plugin)} />
      </OwnPicture>
      <div>
        <PageTitle plugin={plugin.id} name={name} setNaming={setNaming} />
        <p className="text-soft">
          {name !== plugin.name && <>{plugin.name} · </>}
          {ofWhat(plugin)}
          {!isPresent(plugin) && texts.notAvailableNow}
        </p>
        {label && (
          <p>
            <span className="label small">{label}</span>{' '}
            <span className="text-soft visually-quiet">{texts.inASlot}</span>
          </p>
        )}
      </div>
    </header>
  );
}

function PageTitle({
  plugin,
  name,
  setNaming,
}: {
  readonly plugin: string;
  readonly name: string;
  readonly setNaming: React.Dispatch<React.SetStateAction<boolean>>;
}) {
  const menu = useMenuTarget();
  return (
    <h1>
      {name}{' '}
      <Button
        variant="bare"
        size="sm"
        aria-label={texts.nicknameAndSlotLabelOf(name)}
        onClick={() => {
          setNaming(true);
        }}
      >
        <Pencil size={14} aria-hidden /> <kbd>N</kbd>
      </Button>
      <Button
        variant="bare"
        size="sm"
        aria-haspopup="menu"
        aria-label={texts.actionsFor(name)}
        onClick={({ currentTarget: from }) => {
          const { left: x, bottom: y } = from.getBoundingClientRect();
          const keys = { file: 'F', favour: 'B', name: 'N', page: null };
          menu.open({ plugins: [plugin], x, y, keys, from });
        }}
      >
        <MoreHorizontal size={16} aria-hidden />
      </Button>
      {menu.target && <PluginMenu target={menu.target} onClose={menu.close} />}
    </h1>
  );
}

/** What a chain is made of. */
function ChainOf({ plugin, chain }: { plugin: Plugin; chain: readonly string[] }) {
  const { pluginById } = useCatalog();
  const { act } = useActs();
  const { nameOf } = useArrangement();
  const navigate = useNavigate();
  const remove = (): void => {
    if (act({ act: 'remove-chain', chain: plugin.id })) {
      void navigate('/file');
    }
  };
  return (
    <section aria-labelledby="chain">
      <h2 id="chain">{texts.aChainOf(chain.length)}</h2>
      <ol className="plain-rows">
        {chain.map((id, at) => {
          const one = pluginById.get(id);
          return (
            <li key={`${at}${id}`}>
              {one ? (
                <Link to={`/plugin/${id}`}>{nameOf(one)}</Link>
              ) : (
                <span className="text-soft">{texts.aPluginThatIsGone}</span>
              )}
            </li>
          );
        })}
      </ol>
      <Button variant="bare" size="sm" onClick={remove}>
        {texts.removeThisChain}
      </Button>{' '}
      <span className="text-soft visually-quiet">{texts.itsPluginsStayYouCan}</span>
    </section>
  );
}

function Folders({ plugin }: { plugin: Plugin }) {
  const { arrangement } = useArrangement();
  const folders = arrangement.foldersOf.get(plugin.id) ?? [];
  return (
    <section aria-labelledby="in-folders">
      <h2 id="in-folders">{texts.inFolders}</h2>
      {folders.length === 0 && (
        <p className="text-soft">
          {texts.notFiledYetIn}{' '}
          <Link to={`/file?q=${encodeURIComponent(plugin.name)}`}>{texts.file}</Link>
          {texts.press} <kbd>F</kbd> {texts.toFileIt}
        </p>
      )}
      <ul className="plain-rows">
        {folders.map((folder) => {
          const placement = arrangement.placements
            .get(folder.id)
            ?.find((p) => p.plugin === plugin.id);
          return (
            <FolderRow key={folder.id} folder={folder} placement={placement} plugin={plugin} />
          );
        })}
      </ul>
    </section>
  );
}

interface FolderRowProps {
  readonly folder: Folder;
  readonly placement: Placement | undefined;
  readonly plugin: Plugin;
}

function FolderRow({ folder, placement, plugin }: FolderRowProps) {
  const { act } = useActs();
  const { arrangement } = useArrangement();
  return (
    <li>
      <Link
        to={`/file?open=${folder.id}`}
        className={`label ${folder.form === 'smart' ? 'smart' : ''}`}
      >
        {folder.name}
      </Link>
      {placement ? (
        <Button
          variant="bare"
          size="sm"
          onClick={() => {
            act({ act: 'take-out', placements: [placement.id] });
          }}
        >
          {texts.remove}
        </Button>
      ) : (
        <span className="text-soft">
          {because(arrangement, folder, plugin.id) ?? texts.byItsRule}
        </span>
      )}
    </li>
  );
}

/** Plugins shown as similar. */
const similarShown = 8;

function Similar({ plugin }: { plugin: Plugin }) {
  const { plugins, usage } = useCatalog();
  const { nameOf } = useArrangement();
  const alike = plugins.filter(
    (other) =>
      other.id !== plugin.id &&
      isPresent(other) &&
      other.types.some((type) => plugin.types.includes(type)),
  );
  const shown = [...alike]
    .sort(
      (a, b) =>
        shared(b, plugin) - shared(a, plugin) ||
        (usage.get(b.id)?.warmth ?? 0) - (usage.get(a.id)?.warmth ?? 0) ||
        (a.name < b.name ? -1 : 1),
    )
    .slice(0, similarShown);
  if (shown.length === 0) {
    return null;
  }
  return (
    <section aria-labelledby="similar">
      <h2 id="similar">{texts.also(plugin.types.map(typeName).join(' or '), alike.length)}</h2>
      <ul className="plain-rows">
        {shown.map((other) => (
          <li key={other.id}>
            <Link to={`/plugin/${other.id}`}>{nameOf(other)}</Link>
            <span className="text-soft">
              {usage.has(other.id)
                ? texts.loadsOfIt(usage.get(other.id)?.loads ?? 0)
                : texts.wasNeverLoaded}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const shared = (a: Plugin, b: Plugin): number =>
  a.types.filter((type) => b.types.includes(type)).length;
