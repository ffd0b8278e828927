/**
 * What a question is about: the plugin with what is known of it, two of them side by side, or two
 * vendors.
 */
import { Link } from 'react-router';
import type { CopyCard, Plugin } from '@clever-drawer/core/catalog';
import { pluginsAsked, type Question, type Vendor } from '@clever-drawer/core/identify';
import type { Folder } from '@clever-drawer/core/order';
import { WithMenu } from '../annotate/with-menu.tsx';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { Faceplate } from '../ui/faceplate.tsx';
import * as texts from './texts.ts';

export function QuestionHead({ question, place }: { question: Question; place: string }) {
  if (question.variant === 'vendor' && question.near) {
    return (
      <>
        <p className="place">{place}</p>
        <div className="pair">
          <VendorFacts vendor={question.near.a} />
          <VendorFacts vendor={question.near.b} />
        </div>
      </>
    );
  }
  if (question.variant === 'twin') {
    return (
      <>
        <p className="place">{place}</p>
        <div className="pair">
          {pluginsAsked(question).map((plugin) => (
            <PluginFacts key={plugin.id} plugin={plugin} />
          ))}
        </div>
      </>
    );
  }
  const [plugin, ...others] = pluginsAsked(question);
  return plugin ? (
    <>
      <PluginFacts plugin={plugin} place={place} />
      <Others plugins={others} />
    </>
  ) : null;
}

/** How many of a question's plugins are named before the rest is counted. */
const named = 8;

/** The other plugins for which the answer holds as well. */
function Others({ plugins }: { plugins: readonly Plugin[] }) {
  const { nameOf } = useArrangement();
  if (plugins.length === 0) {
    return null;
  }
  return (
    <p className="question-others">
      {texts.pluginsAnd(plugins.slice(0, named).map(nameOf).join(', '))}
      {plugins.length > named && texts.andMoreOfThem(plugins.length - named)}
      {texts.oneAnswerCoversAll}
    </p>
  );
}

function PluginFacts({ plugin, place }: { plugin: Plugin; place?: string }) {
  const { pictureOf } = useCatalog();
  const { nameOf, arrangement } = useArrangement();
  const folders = arrangement.foldersOf.get(plugin.id) ?? [];
  const there = plugin.copies.filter((copy) => copy.state === 'present');
  const version = there.find((copy) => copy.version !== null)?.version;
  return (
    <WithMenu plugins={[plugin.id]} className="question-head">
      <Faceplate
        seed={plugin.id}
        width={place === undefined ? 84 : 132}
        picture={pictureOf(plugin)}
      />
      <div className="question-facts">
        {place !== undefined && <p className="place">{place}</p>}
        <h2 className="question-name">{nameOf(plugin)}</h2>
        <p>
          {plugin.vendor ?? texts.noVendorNamed} ·{' '}
          <Link to={`/plugin/${plugin.id}`}>{texts.allFacts}</Link>
        </p>
        <CopiesOf there={there} version={version} folders={folders} />
        {place === undefined && <p className="mono path">{there[0]?.path}</p>}
      </div>
    </WithMenu>
  );
}

interface CopiesOfProps {
  readonly there: CopyCard[];
  readonly version: string | null | undefined;
  readonly folders: readonly Folder[];
}

function CopiesOf({ there, version, folders }: CopiesOfProps) {
  return (
    <p className="question-copies">
      {there.map((copy) => (
        <span
          key={copy.id}
          className={`chip format ${copy.is32Bit ? 'old' : ''}`}
          title={copy.path}
        >
          {copy.format}
          {copy.is32Bit && ' 32'}
        </span>
      ))}
      {version !== undefined && (
        <span className="text-soft">
          {texts.version} {version}
        </span>
      )}
      {folders.length > 0 && (
        <span className="text-soft">
          {texts.foldersIn(folders.map((folder) => folder.name).join(', '))}
        </span>
      )}
    </p>
  );
}

function VendorFacts({ vendor }: { vendor: Vendor }) {
  const { plugins } = useCatalog();
  const theirs = plugins.filter((plugin) => plugin.vendor === vendor.name);
  return (
    <div className="question-facts">
      <h2 className="question-name">{vendor.name}</h2>
      <p>
        {theirs.length} {texts.plugins(theirs.length)}:{' '}
        <span className="text-soft">
          {theirs
            .slice(0, 4)
            .map((plugin) => plugin.name)
            .join(', ')}
          {theirs.length > 4 && ' …'}
        </span>
      </p>
      <p className="text-soft">
        {texts.spelled(vendor.spellings.map((s) => `“${s.spelling}” (${s.count})`).join(', '))}
      </p>
    </div>
  );
}
