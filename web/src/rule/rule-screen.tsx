/**
 * The editor of a smart folder: cards, a sentence and text that follow each other, and beside them
 * what the rule does.
 */
import { useDeferredValue, useMemo } from 'react';
import { Button, Dropdown, Form } from 'react-bootstrap';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { nameLength } from '@clever-drawer/core/acts';
import { asId, type FolderId, type PluginId } from '@clever-drawer/core/id';
import {
  cabinetIn,
  folderIn,
  type Cabinet,
  type Folder,
  type FolderSorting,
  type SmartPart,
} from '@clever-drawer/core/order';
import { describe } from '@clever-drawer/core/problem';
import {
  CatalogIndex,
  parseRule,
  readyRule,
  readyRules,
  sayRuleParts,
  vendorRule,
  warningsOf,
  type Rule,
} from '@clever-drawer/core/rules';
import { useActs, useArrangement, useCatalog, useOrder } from '../studio/contexts.ts';
import { keepDraft } from '../ui/draft-text.ts';
import { useKeys } from '../ui/keys.ts';
import { MenuItem } from '../ui/menu-item.tsx';
import { useNotices } from '../ui/notices.tsx';
import { useDocumentTitle } from '../ui/use-document-title.ts';
import { Cards, Warn } from './cards.tsx';
import { createCompletions } from './model/completions.ts';
import { Preview } from './preview.tsx';
import './rule.css';
import {
  draftOf,
  emptyLine,
  isFinished,
  useDraft,
  type Draft,
  type Drafting,
  type Edit,
} from './use-draft.ts';
import { Kbd } from '../ui/kbd.tsx';
import * as texts from './texts.ts';

export function RuleScreen() {
  const { folder: id = '' } = useParams();
  const { order } = useOrder();
  const { cabinet } = useArrangement();
  const folder = folderIn(order.records, folderIn(order.records, id)?.shortcutTo ?? id);
  if (id !== 'new' && folder?.form !== 'smart') {
    return (
      <main id="content" tabIndex={-1} className="empty">
        <h1>{folder ? texts.hasNoRule(folder.name) : texts.thisFolderHasBeenRemoved}</h1>
        <p>
          {folder ? texts.onlySmartFoldersHaveOne : texts.somebodyMayHaveRemovedIt}{' '}
          <Link to="/file">{texts.goToFile}</Link>
        </p>
      </main>
    );
  }
  if (!cabinet) {
    return (
      <main id="content" tabIndex={-1} className="empty">
        <h1>{texts.thereIsNoCabinetYet}</h1>
      </main>
    );
  }
  return <Editor key={id} folder={id === 'new' ? undefined : folder} cabinet={cabinet} />;
}

const bareRule: Rule = { cards: [{ lines: [emptyLine] }], never: [] };

function Editor({ folder, cabinet }: { folder: Folder | undefined; cabinet: Cabinet }) {
  const { order } = useOrder();
  const { arrangement } = useArrangement();
  const { rules, members } = arrangement;
  const { candidates, words, where } = rules;
  const [params] = useSearchParams();
  const start = useMemo(() => {
    const given = parseRule(params.get('text') ?? '', words);
    return draftOf(folder, params.get('name') ?? '', given.ok ? given.value : bareRule);
  }, []); // eslint-disable-line react-hooks/exhaustive-deps -- what one begins with, once
  const kept = `rule ${folder?.id ?? `new ${cabinet.id} ${params.toString()}`}`;
  const drafting = useDraft(kept, start, words);
  const { draft, rule, edit } = drafting;
  const index = useMemo(() => new CatalogIndex(candidates), [candidates]);
  const completions = useMemo(
    () => createCompletions(index, candidates, words, where),
    [index, candidates, words, where],
  );
  const later = useDeferredValue(rule);
  const warnings = useMemo(() => warningsOf(later, index, where), [later, index, where]);
  const saved = useMemo(
    () => (folder ? new Set<string>(savedMembers(folder, members, index, where)) : null),
    [folder, members, index, where],
  );
  const { save, leave } = useSaving(folder, cabinet, drafting, params.get('parent'), kept);
  useKeys({ 'Ctrl+S': save, Escape: leave });
  useDocumentTitle(folder ? texts.ruleOf(folder.name) : texts.aNewSmartFolder);
  const standsIn = cabinetIn(order.records, folder?.cabinet ?? cabinet.id)?.name ?? cabinet.name;
  return (
    <main
      id="content"
      tabIndex={-1}
      className="rule-screen"
      onKeyDown={(event) => {
        if ((event.ctrlKey || event.metaKey) && (event.key === 's' || event.key === 'Enter')) {
          event.preventDefault();
          save();
        }
      }}
    >
      <div className="rule-editor">
        <RuleHead
          folder={folder}
          draft={draft}
          edit={edit}
          standsIn={standsIn}
          cabinet={cabinet}
          leave={leave}
          save={save}
        />
        {drafting.isKept && (
          <p className="text-soft" role="status">
            {texts.unsavedDraftRestored}{' '}
            <button
              type="button"
              className="link-words"
              onClick={() => {
                edit({ edit: 'anew', draft: start });
              }}
            >
              {texts.startOver}
            </button>
          </p>
        )}
        <p className="rule-sentence">
          {sayRuleParts(rule, words).map((part, i) =>
            part.isStrong ? <strong key={i}>{part.text}</strong> : <span key={i}>{part.text}</span>,
          )}
        </p>
        {!folder && <ReadyRules drafting={drafting} />}
        <Cards drafting={drafting} words={words} completions={completions} warnings={warnings} />
        {warnings.some((warning) => warning.kind === 'never-everything') && (
          <Warn>{texts.theExceptionsRemoveEverythingThe}</Warn>
        )}
        <Shown drafting={drafting} />
        <AsText drafting={drafting} />
      </div>
      <Preview
        rule={rule}
        draft={draft}
        saved={saved}
        index={index}
        words={words}
        where={where}
        onHand={(alwaysIn, alwaysOut) => {
          edit({ edit: 'set', set: { alwaysIn, alwaysOut } });
        }}
      />
    </main>
  );
}

interface RuleHeadProps {
  readonly folder: Folder | undefined;
  readonly draft: Draft;
  readonly edit: (edit: Edit) => void;
  readonly standsIn: string;
  readonly cabinet: Cabinet;
  readonly leave: () => void;
  readonly save: () => void;
}

function RuleHead({ folder, draft, edit, standsIn, leave, save }: RuleHeadProps) {
  return (
    <header className="rule-head">
      <h1 className="visually-hidden">
        {folder ? texts.theRuleOf(folder.name) : texts.aNewSmartFolder}
      </h1>
      <Form.Control
        className="rule-name hand"
        aria-label={texts.name}
        placeholder={texts.name}
        maxLength={nameLength}
        value={draft.name}
        autoFocus={!folder}
        autoComplete="off"
        onChange={(event) => {
          edit({ edit: 'set', set: { name: event.target.value } });
        }}
      />
      <span className="text-soft">
        {texts.smartFolderIn} <strong>{standsIn}</strong>
      </span>
      <span className="rule-acts">
        <Button variant="bare" onClick={leave}>
          {texts.close} <kbd>Esc</kbd>
        </Button>
        <Button onClick={save}>
          {texts.save} <Kbd keys="Ctrl+S" />
        </Button>
      </span>
    </header>
  );
}

/** What the folder holds by its saved rule, also where it shows only some of it. */
function savedMembers(
  folder: Folder,
  members: ReadonlyMap<string, readonly PluginId[]>,
  index: CatalogIndex,
  where: Parameters<CatalogIndex['rule']>[1],
): readonly string[] {
  if (folder.atMost === null) {
    return members.get(folder.id) ?? [];
  }
  const out = new Set<string>(folder.alwaysOut);
  return [
    ...new Set([
      ...folder.alwaysIn,
      ...(folder.rule ? index.idsOf(index.rule(folder.rule, where)) : []),
    ]),
  ].filter((id) => !out.has(id));
}

function useSaving(
  folder: Folder | undefined,
  cabinet: Cabinet,
  { draft, rule }: Drafting,
  parent: string | null,
  kept: string,
): { save: () => void; leave: () => void } {
  const { act } = useActs();
  const { notify } = useNotices();
  const navigate = useNavigate();
  const missing = (): string | null => {
    if (draft.name.trim() === '') {
      return texts.theFolderNeedsANameBefore;
    }
    if (draft.problems.length > 0) {
      return texts.theTextIsNotUnderstoodYet(draft.problems.map(describe).join(' '));
    }
    const unfinished = [...draft.cards, ...draft.never].some((card) =>
      card.lines.some((line) => !isFinished(line)),
    );
    if (unfinished) {
      return texts.aConditionHasNoValue;
    }
    if (rule.cards.length === 0) {
      return texts.aRuleNeedsAtLeast;
    }
    return null;
  };
  const save = (): void => {
    const trouble = missing();
    if (trouble !== null) {
      notify(trouble, 'trouble');
      return;
    }
    const { alwaysIn, alwaysOut, sortedBy, atMost } = draft;
    const smart: SmartPart = {
      alwaysIn: alwaysIn.map((id) => asId(id)),
      alwaysOut: alwaysOut.map((id) => asId(id)),
      sortedBy,
      atMost,
    };
    const id = folder?.id ?? asId<FolderId>(crypto.randomUUID());
    const isSaved = folder
      ? act({ act: 'set-rule', folder: id, rule, name: draft.name, smart })
      : act({
          act: 'add-folder',
          id,
          cabinet: cabinet.id,
          parent: parent === null ? null : asId(parent),
          form: 'smart',
          name: draft.name,
          rule,
          before: null,
          smart,
        });
    if (isSaved) {
      keepDraft(kept, null);
      void navigate(`/file?open=${id}`);
    }
  };
  return {
    save,
    leave: () => {
      void navigate(folder ? `/file?open=${folder.id}` : '/file');
    },
  };
}

/** Rules to start from, by name and by what they gather. */
function ReadyRules({ drafting }: { drafting: Drafting }) {
  const { plugins } = useCatalog();
  const { draft, edit } = drafting;
  const vendors = useMemo(() => {
    const counts = new Map<string, number>();
    for (const { vendor } of plugins) {
      if (vendor !== null) {
        counts.set(vendor, (counts.get(vendor) ?? 0) + 1);
      }
    }
    return [...counts].sort((a, b) => b[1] - a[1]).slice(0, 8);
  }, [plugins]);
  const begin = (
    name: string,
    rule: Rule,
    set: Partial<Pick<SmartPart, 'sortedBy' | 'atMost'>>,
  ): void => {
    edit({ edit: 'rule', rule });
    edit({
      edit: 'set',
      set: { sortedBy: null, atMost: null, ...set, ...(draft.name.trim() === '' ? { name } : {}) },
    });
  };
  return (
    <Dropdown className="ready-rules">
      <Dropdown.Toggle as="button" type="button" className="link-words">
        {texts.startFromAReadyMade}
      </Dropdown.Toggle>
      <ReadyItems begin={begin} vendors={vendors} />
    </Dropdown>
  );
}

function ReadyItems({
  begin,
  vendors,
}: {
  readonly begin: (
    name: string,
    rule: Rule,
    set: Partial<Pick<SmartPart, 'sortedBy' | 'atMost'>>,
  ) => void;
  readonly vendors: [string, number][];
}) {
  return (
    <Dropdown.Menu>
      {readyRules.map((ready) => (
        <MenuItem
          key={ready.name}
          className="option"
          onClick={() => {
            begin(ready.name, readyRule(ready), {
              sortedBy: ready.sortedBy ?? null,
              atMost: ready.atMost ?? null,
            });
          }}
        >
          <span>{ready.name}</span>
          <span className="text-soft">{ready.what}</span>
        </MenuItem>
      ))}
      <Dropdown.Divider />
      {vendors.map(([vendor, count]) => (
        <MenuItem
          key={vendor}
          className="option"
          onClick={() => {
            begin(vendor, vendorRule(vendor), {});
          }}
        >
          <span>{texts.allBy(vendor)}</span>
          <span className="text-soft">{count}</span>
        </MenuItem>
      ))}
    </Dropdown.Menu>
  );
}

/** In which order the folder shows what it holds, and how many of them. */
function Shown({ drafting: { draft, edit } }: { drafting: Drafting }) {
  return (
    <p className="rule-shown">
      {texts.shows} <HowMany draft={draft} edit={edit} />
      {draft.atMost !== null && (
        <Form.Control
          type="number"
          size="sm"
          min={1}
          max={20_000}
          aria-label={texts.limit}
          value={draft.atMost}
          onChange={(event) => {
            edit({
              edit: 'set',
              set: {
                atMost: Math.max(1, Math.min(20_000, Math.round(Number(event.target.value)) || 1)),
              },
            });
          }}
        />
      )}
      <InWhichOrder draft={draft} edit={edit} />
    </p>
  );
}

function InWhichOrder({
  draft,
  edit,
}: {
  readonly draft: Draft;
  readonly edit: (edit: Edit) => void;
}) {
  return (
    <Form.Select
      size="sm"
      aria-label={texts.inWhichOrder}
      value={draft.sortedBy ?? ''}
      onChange={(event) => {
        edit({
          edit: 'set',
          set: {
            sortedBy: event.target.value === '' ? null : (event.target.value as FolderSorting),
          },
        });
      }}
    >
      <option value="">{texts.asInTheCatalog}</option>
      {(Object.keys(texts.sortingNames) as FolderSorting[]).map((one) => (
        <option key={one} value={one}>
          {texts.sortingNames[one]}
        </option>
      ))}
    </Form.Select>
  );
}

function HowMany({ draft, edit }: { readonly draft: Draft; readonly edit: (edit: Edit) => void }) {
  return (
    <Form.Select
      size="sm"
      aria-label={texts.howManyItShows}
      value={draft.atMost === null ? 'all' : 'some'}
      onChange={(event) => {
        edit({
          edit: 'set',
          set: {
            atMost: event.target.value === 'all' ? null : 20,
            ...(event.target.value === 'some' && draft.sortedBy === null
              ? { sortedBy: 'lately' }
              : {}),
          },
        });
      }}
    >
      <option value="all">{texts.allOfThem}</option>
      <option value="some">{texts.onlyTheFirst}</option>
    </Form.Select>
  );
}

function AsText({ drafting: { draft, text, edit } }: { drafting: Drafting }) {
  const { words } = useArrangement().arrangement.rules;
  return (
    <section className="as-text">
      <h2 id="as-text">{texts.asText}</h2>{' '}
      <span className="text-soft visually-quiet">{texts.aCommaMeansOrA}</span>
      <Form.Control
        as="textarea"
        rows={Math.min(16, Math.max(4, text.split('\n').length + 1))}
        spellCheck={false}
        aria-labelledby="as-text"
        isInvalid={draft.problems.length > 0}
        value={text}
        onChange={(event) => {
          edit({ edit: 'text', text: event.target.value, words });
        }}
        onBlur={() => {
          if (draft.problems.length === 0) {
            edit({ edit: 'follow' });
          }
        }}
      />
      {draft.problems.length > 0 && <RuleProblems draft={draft} edit={edit} />}
    </section>
  );
}

function RuleProblems({
  draft,
  edit,
}: {
  readonly draft: Draft;
  readonly edit: (edit: Edit) => void;
}) {
  return (
    <ul className="rule-problems" role="alert">
      {draft.problems.slice(0, 4).map((problem) => (
        <li key={describe(problem)}>{describe(problem)}</li>
      ))}
      <li className="text-soft">
        {texts.theCardsShowTheLast}{' '}
        <button
          type="button"
          className="link-words"
          onClick={() => {
            edit({ edit: 'follow' });
          }}
        >
          {texts.backToTheCards}
        </button>
      </li>
    </ul>
  );
}
