/**
 * An opened folder: its subfolders, and its plugins in order. Keys: arrows move, Alt+arrows
 * reorder, Delete takes out.
 */
import { X } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import type { PluginId } from '@clever-drawer/core/id';
import type { Folder, Placement } from '@clever-drawer/core/order';
import { sayRule } from '@clever-drawer/core/rules';
import { plural } from '@clever-drawer/core/text';
import { useActs, useArrangement, useCatalog } from '../../studio/contexts.ts';
import { useLatest } from '../../ui/use-latest.ts';
import { useSelection } from '../../ui/use-selection.ts';
import { FolderForm } from '../forms/folder-form.tsx';
import { Awaited } from './awaited.tsx';
import { PlacedPlugin } from './placed-plugin.tsx';
import type { ChestActs, ChestState } from './use-chest.ts';
import * as formTexts from '../forms/texts.ts';

/** More plugins than this are not drawn in the drawer but counted; the list shows them all. */
const drawn = 300;

interface OpenDrawerProps {
  readonly folder: Folder;
  readonly chest: ChestState;
  readonly children: ReactNode;
}

/** `children` are the folders inside it. */
export function OpenDrawer({ folder, chest, children }: OpenDrawerProps) {
  const { arrangement } = useArrangement();
  const { acts, editing, setEditing } = chest;
  const hasBelow = (arrangement.below.get(folder.id) ?? []).length > 0;
  const isMaking = editing?.what === 'new' && editing.parent === folder.id;
  const members = arrangement.members.get(folder.id) ?? [];
  const placements = arrangement.placements.get(folder.id) ?? [];
  return (
    <li
      ref={intoView}
      className={`open-drawer ${folder.form}`}
      aria-label={formTexts.open(folder.name)}
    >
      <OpenHead folder={folder} members={members} acts={acts} />
      {editing?.what === 'change' && editing.folder === folder.id && (
        <FolderForm
          folder={folder}
          onDone={() => {
            setEditing(null);
          }}
        />
      )}
      {folder.form !== 'divider' && <Notes key={folder.notes} folder={folder} />}
      {isMaking && (
        <FolderForm
          parent={folder.id}
          onDone={() => {
            setEditing(null);
          }}
        />
      )}
      {hasBelow && <div className="below">{children}</div>}
      {members.length === 0 && !hasBelow && <EmptyDrawer folder={folder} />}
      {members.length > 0 && (
        <Members members={members} folder={folder} acts={acts} placements={placements} />
      )}
      <Awaited placements={placements} />
      {members.length > drawn && (
        <p className="text-soft open-empty">
          {formTexts.andMoreOfThem(members.length - drawn)}{' '}
          <Link to={`/file?folder=${folder.id}&open=${folder.id}`}>{formTexts.showAllOf}</Link>
        </p>
      )}
    </li>
  );
}

interface MembersProps {
  readonly members: readonly PluginId[];
  readonly folder: Folder;
  readonly acts: ChestActs;
  readonly placements: readonly Placement[];
}

function Members({ members, folder, acts, placements }: MembersProps) {
  const { pluginById } = useCatalog();
  const shown = members.slice(0, drawn).filter((id) => pluginById.has(id));
  const here = placements.filter(({ plugin }) => pluginById.has(plugin));
  const selection = useSelection(shown);
  const { active, ids } = selection;
  const choose = useLatest(acts.choose);
  const selected = [...ids].join(' ');
  useEffect(() => {
    if (active !== null) {
      choose(active, selected === '' ? [] : selected.split(' '));
    }
  }, [active, selected, choose]);
  return (
    <div
      className="open-plugins"
      role="grid"
      aria-multiselectable="true"
      aria-label={formTexts.pluginsIn(folder.name)}
    >
      {shown.map((id) => {
        const plugin = pluginById.get(id);
        return (
          plugin && (
            <PlacedPlugin
              key={id}
              plugin={plugin}
              folder={folder}
              acts={acts}
              placements={here}
              selection={selection}
            />
          )
        );
      })}
    </div>
  );
}

function EmptyDrawer({ folder }: { readonly folder: Folder }) {
  return (
    <p className="text-soft open-empty">
      {folder.form === 'smart' ? (
        formTexts.nothingMatchesYetNewMatches
      ) : (
        <>
          {formTexts.emptyDragPluginsOntoIt} <kbd>F</kbd> {formTexts.onOneInTheList}
        </>
      )}
    </p>
  );
}

interface OpenHeadProps {
  readonly folder: Folder;
  readonly members: readonly PluginId[];
  readonly acts: ChestActs;
}

function OpenHead({ folder, members, acts }: OpenHeadProps) {
  const { arrangement } = useArrangement();
  const { pluginById } = useCatalog();
  const { act } = useActs();
  const settings = members.filter((id) => pluginById.get(id)?.setting).length;
  return (
    <div className="open-head">
      <span className={`label ${folder.form === 'smart' ? 'smart' : ''}`}>{folder.name}</span>
      <span className="text-soft">
        {folder.rule
          ? sayRule(folder.rule, arrangement.rules.words)
          : countWords(members.length, settings)}
        {folder.sortedBy && (
          <>
            {' '}
            {formTexts.isSortedBy(formTexts.sortingNames[folder.sortedBy])}
            {folder.form === 'folder' && (
              <>
                {' '}
                <button
                  type="button"
                  className="link-words"
                  onClick={() => {
                    act({ act: 'set-folder', folder: folder.id, set: { sortedBy: null } });
                  }}
                >
                  {formTexts.myOwnOrder}
                </button>
              </>
            )}
          </>
        )}
      </span>
      <OpenActs folder={folder} acts={acts} />
    </div>
  );
}

function OpenActs({ folder, acts }: { readonly folder: Folder; readonly acts: ChestActs }) {
  return (
    <span className="open-acts">
      {folder.form === 'smart' && (
        <Link to={`/rule/${folder.id}`} className="btn btn-sm btn-bare">
          {formTexts.changeItsRule}
        </Link>
      )}
      {folder.form !== 'favourites' && (
        <Button
          size="sm"
          variant="bare"
          onClick={() => {
            acts.rename(folder.id);
          }}
        >
          {formTexts.rename}
        </Button>
      )}
      {folder.form === 'folder' && (
        <Button
          size="sm"
          variant="bare"
          onClick={() => {
            acts.addBelow(folder.id);
          }}
        >
          {formTexts.newSubfolder}
        </Button>
      )}
      <Button
        size="sm"
        variant="bare"
        aria-label={formTexts.close(folder.name)}
        onClick={() => {
          acts.toggle(folder.id);
        }}
      >
        <X size={15} aria-hidden />
      </Button>
    </span>
  );
}

/** What to remember of the folder. */
function Notes({ folder }: { folder: Folder }) {
  const { act } = useActs();
  const [typed, setTyped] = useState(folder.notes);
  return (
    <input
      className="folder-notes"
      aria-label={formTexts.noteOn(folder.name)}
      placeholder={formTexts.aNote}
      maxLength={10_000}
      value={typed}
      onChange={(event) => {
        setTyped(event.target.value);
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') {
          event.currentTarget.blur();
        }
      }}
      onBlur={() => {
        if (typed.trim() !== folder.notes) {
          act({ act: 'set-folder', folder: folder.id, set: { notes: typed } });
        }
      }}
    />
  );
}

/** An opened folder comes into view when it opens. */
const intoView = (element: HTMLElement | null): void => {
  element?.scrollIntoView({ block: 'nearest' });
};

/** "3 plugins", or with settings among them "2 plugins, 5 settings". */
const countWords = (things: number, settings: number): string =>
  [
    ...(things > settings || settings === 0 ? [plural(things - settings, 'plugin')] : []),
    ...(settings > 0 ? [plural(settings, 'setting')] : []),
  ].join(', ');
