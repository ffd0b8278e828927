/** The saved settings that scans found for a plugin, by bank; and what one of them is. */
import { Plus } from 'lucide-react';
import { Fragment, useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useNavigate } from 'react-router';
import type { PluginView, SettingView } from '@clever-drawer/core/api';
import type { Plugin, SettingFacts } from '@clever-drawer/core/catalog';
import { grouped } from '@clever-drawer/core/grouped';
import { addToTray } from '../annotate/stored-tray.ts';
import { useActs, useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';
import * as texts from './texts.ts';

/** Settings of a bank shown before somebody asks for all. */
const shownFirst = 12;

export function Settings({ view }: { readonly view: PluginView | undefined }) {
  const { filedSettings } = useCatalog();
  const found = view?.settings ?? [];
  const own = filedSettings.filter(
    ({ setting }) => setting?.plugin === view?.plugin && setting?.state !== null,
  );
  const count = found.length + own.length;
  if (count === 0) {
    return null;
  }
  const banks = [...grouped(found.map((setting) => [setting.bank ?? '', setting]))];
  return (
    <section aria-labelledby="settings-title">
      <h2 id="settings-title">{texts.setting(count)}</h2>
      {own.length > 0 && <Bank bank="Of your own" settings={own.map(ownView)} />}
      {banks.map(([bank, settings]) => (
        <Bank key={bank} bank={bank} settings={settings} />
      ))}
    </section>
  );
}

/** What a row shows of a setting. */
type RowFacts = Pick<SettingView, 'id' | 'name' | 'format' | 'path' | 'comment'>;

const ownView = ({ id, name, setting }: Plugin): RowFacts => ({
  id,
  name,
  format: setting?.format ?? 'LV2',
  path: '',
  comment: texts.keptFromASlot,
});

interface BankProps {
  /** Empty for settings in no bank. */
  readonly bank: string;
  readonly settings: readonly RowFacts[];
}

function Bank({ bank, settings }: BankProps) {
  const [isWhole, setWhole] = useState(false);
  const shown = isWhole ? settings : settings.slice(0, shownFirst);
  const rest = settings.length - shown.length;
  return (
    <>
      {bank !== '' && <h3 className="bank-name">{bank}</h3>}
      <ul className="plain-rows settings-rows">
        {shown.map((setting) => (
          <SettingRow key={setting.id} setting={setting} />
        ))}
      </ul>
      {rest > 0 && (
        <button
          type="button"
          className="link-words"
          onClick={() => {
            setWhole(true);
          }}
        >
          {texts.more(rest)}
        </button>
      )}
    </>
  );
}

function SettingRow({
  setting: { id, name, format, path, comment },
}: {
  readonly setting: RowFacts;
}) {
  const { arrangement } = useArrangement();
  const folders = arrangement.foldersOf.get(id) ?? [];
  return (
    <li title={path}>
      <Link to={`/plugin/${id}`}>{name}</Link>{' '}
      <span className="text-soft">{comment ?? format}</span>
      {folders[0] && <span className="hand">{folders[0].name}</span>}
      <IntoTray id={id} name={name} />
    </li>
  );
}

interface IntoTrayProps {
  readonly id: string;
  readonly name: string;
  readonly children?: ReactNode;
}

/** Gathers a setting, to be filed with others. */
function IntoTray({ id, name, children }: IntoTrayProps) {
  const { computer } = useComputer();
  const { notify } = useNotices();
  return (
    <Button
      variant="bare"
      size="sm"
      aria-label={texts.addToTheTray(name)}
      title={texts.addToTheTrayAndFile}
      onClick={() => {
        addToTray(computer.id, [id]);
        notify(texts.isInTheTrayOfFile(name), 'done');
      }}
    >
      <Plus size={14} aria-hidden /> {children}
    </Button>
  );
}

interface SettingOfProps {
  readonly thing: Plugin;
  readonly setting: SettingFacts;
}

/** Where a setting comes from, and what it is a setting of. */
export function SettingOf({ thing, setting }: SettingOfProps) {
  const { pluginById, filedSettings } = useCatalog();
  const { nameOf } = useArrangement();
  const owner = pluginById.get(setting.plugin);
  const isKept = filedSettings.some(({ id }) => id === thing.id);
  const facts = [
    [texts.bank, setting.bank],
    [texts.format, setting.format],
    [texts.file, setting.path],
    [texts.uri, setting.identity],
  ] as const;
  return (
    <section aria-labelledby="setting-of">
      <h2 id="setting-of">
        {texts.aSettingOf}{' '}
        {owner ? <Link to={`/plugin/${owner.id}`}>{nameOf(owner)}</Link> : texts.aPluginThatIsGone}
      </h2>
      <dl className="annotations">
        {facts.map(([name, text]) =>
          text === null ? null : (
            <Fragment key={name}>
              <dt>{name}</dt>
              <dd className={name === texts.file || name === texts.uri ? 'mono' : ''}>{text}</dd>
            </Fragment>
          ),
        )}
      </dl>
      {setting.isGone && <p className="text-brick">{texts.itsFileIsGone}</p>}
      {setting.state !== null && <p className="text-soft">{texts.keptWithItsState}</p>}
      <p className="setting-acts">
        <IntoTray id={thing.id} name={thing.name}>
          {texts.putIntoTray}
        </IntoTray>
        {isKept && <Forget thing={thing} ownerPage={owner ? `/plugin/${owner.id}` : '/file'} />}
      </p>
    </section>
  );
}

interface ForgetProps {
  readonly thing: Plugin;
  readonly ownerPage: string;
}

function Forget({ thing, ownerPage }: ForgetProps) {
  const { act } = useActs();
  const navigate = useNavigate();
  return (
    <Button
      variant="bare"
      size="sm"
      title={texts.deletesItsFilingNamesAnd}
      onClick={() => {
        if (act({ act: 'remove-setting', setting: thing.id })) {
          void navigate(ownerPage);
        }
      }}
    >
      {texts.deleteItsTagsAndFiling}
    </Button>
  );
}
