/**
 * Beside the rule: what is inside and why, what would join and leave, what is just outside, and
 * what is kept by hand.
 */
import { useDeferredValue, useMemo } from 'react';
import { Button } from 'react-bootstrap';
import { faceOf, type Plugin } from '@clever-drawer/core/catalog';
import {
  explain,
  justOutside,
  ruleHighlights,
  positionsIn,
  type CatalogIndex,
  type JustOutside,
  type Rule,
  type RuleWords,
  type Span,
  type RuleContext,
} from '@clever-drawer/core/rules';
import { fold } from '@clever-drawer/core/text';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { Faceplate } from '../ui/faceplate.tsx';
import { ofWhat } from '../annotate/of-what.ts';
import type { Draft } from './use-draft.ts';
import * as texts from './texts.ts';

interface Props {
  readonly rule: Rule;
  readonly draft: Draft;
  /** What the folder holds as it is saved; none for a new one. */
  readonly saved: ReadonlySet<string> | null;
  readonly index: CatalogIndex;
  readonly words: RuleWords;
  readonly where: RuleContext;
  readonly onHand: (alwaysIn: readonly string[], alwaysOut: readonly string[]) => void;
}

/** Rows shown of what is inside, and of what is just outside. */
const insideShown = 40;
const leavesShown = 8;
const outsideShown = 6;

export function Preview({ rule, draft, saved, index, words, where, onHand }: Props) {
  const { alwaysIn, alwaysOut } = draft;
  const inside = useMemo(() => {
    const out = new Set(alwaysOut);
    const ids = new Set([
      ...alwaysIn.filter((id) => index.positionOf(id) !== undefined),
      ...positionsIn(index.rule(rule, where)).map((at) => index.at(at).id),
    ]);
    return [...ids].filter((id) => !out.has(id));
  }, [rule, alwaysIn, alwaysOut, index, where]);
  const joins = saved === null ? [] : inside.filter((id) => !saved.has(id));
  const insideSet = new Set(inside);
  const leaves = saved === null ? [] : [...saved].filter((id) => !insideSet.has(id));
  const joining = new Set(joins);
  const rows = [...joins, ...inside.filter((id) => !joining.has(id))];
  const keep = (id: string): void => {
    onHand(
      [...alwaysIn.filter((one) => one !== id), id],
      alwaysOut.filter((one) => one !== id),
    );
  };
  const drop = (id: string): void => {
    onHand(
      alwaysIn.filter((one) => one !== id),
      alwaysIn.includes(id) ? alwaysOut : [...alwaysOut, id],
    );
  };
  return (
    <aside className="rule-preview" aria-label={texts.whatItIncludes}>
      <Counts inside={inside} saved={saved} joins={joins} leaves={leaves} />
      <Inside
        leaves={leaves}
        rule={rule}
        index={index}
        where={where}
        words={words}
        keep={keep}
        rows={rows}
        joining={joining}
        alwaysIn={alwaysIn}
        drop={drop}
      />
      {rows.length > insideShown && (
        <p className="text-soft">{texts.andMore(rows.length - insideShown)}</p>
      )}
      {inside.length === 0 && <p className="text-soft">{texts.nothingMatchesYetNewMatches}</p>}
      <Outside rule={rule} draft={draft} index={index} words={words} where={where} onKeep={keep} />
      <ByHand draft={draft} onHand={onHand} />
    </aside>
  );
}

interface InsideProps {
  readonly leaves: string[];
  readonly rule: Rule;
  readonly index: CatalogIndex;
  readonly where: RuleContext;
  readonly words: RuleWords;
  readonly keep: (id: string) => void;
  readonly rows: string[];
  readonly joining: Set<string>;
  readonly alwaysIn: readonly string[];
  readonly drop: (id: string) => void;
}

function Inside({
  leaves,
  rule,
  index,
  where,
  words,
  keep,
  rows,
  joining,
  alwaysIn,
  drop,
}: InsideProps) {
  return (
    <ul className="rule-rows" aria-label={texts.inside}>
      {leaves.slice(0, leavesShown).map((id) => (
        <Row
          key={id}
          id={id}
          rule={rule}
          index={index}
          where={where}
          words={words}
          note={texts.leaves}
          isByHand={false}
          act={texts.include}
          onAct={() => {
            keep(id);
          }}
        />
      ))}
      {leaves.length > leavesShown && (
        <li className="more-leave text-soft">
          {texts.andMoreWouldLeave(leaves.length - leavesShown)}
        </li>
      )}
      {rows.slice(0, insideShown).map((id) => (
        <Row
          key={id}
          id={id}
          rule={rule}
          index={index}
          where={where}
          words={words}
          note={joining.has(id) ? texts.joins : null}
          isByHand={alwaysIn.includes(id)}
          act={texts.exclude}
          onAct={() => {
            drop(id);
          }}
        />
      ))}
    </ul>
  );
}

interface CountsProps {
  readonly inside: string[];
  readonly saved: ReadonlySet<string> | null;
  readonly joins: string[];
  readonly leaves: string[];
}

function Counts({ inside, saved, joins, leaves }: CountsProps) {
  return (
    <div className="figures" role="status">
      <span className="figure" data-testid="figure">
        <strong>{inside.length}</strong> {texts.isInside}
      </span>
      {saved !== null && (
        <>
          <span data-testid="figure" className={`figure ${joins.length > 0 ? 'joins' : ''}`}>
            <strong>+{joins.length}</strong> {texts.wouldJoin}
          </span>
          <span data-testid="figure" className={`figure ${leaves.length > 0 ? 'leaves' : ''}`}>
            <strong>−{leaves.length}</strong> {texts.wouldLeave}
          </span>
        </>
      )}
    </div>
  );
}

/** Found a moment later than the rest: it looks at every plugin. */
function Outside({
  rule,
  draft,
  index,
  words,
  where,
  onKeep,
}: Omit<Props, 'saved' | 'onHand'> & { onKeep: (id: string) => void }) {
  const later = useDeferredValue(rule);
  const { rules } = useArrangement().arrangement;
  const near = useMemo(
    () =>
      justOutside(
        later,
        rules.candidates,
        where,
        words,
        outsideShown + draft.alwaysIn.length + draft.alwaysOut.length,
      ),
    [later, rules.candidates, where, words, draft.alwaysIn.length, draft.alwaysOut.length],
  );
  const shown = near
    .filter(({ id }) => !draft.alwaysIn.includes(id) && !draft.alwaysOut.includes(id))
    .slice(0, outsideShown);
  if (shown.length === 0) {
    return null;
  }
  return (
    <JustOutsideList
      shown={shown}
      rule={rule}
      index={index}
      where={where}
      words={words}
      onKeep={onKeep}
    />
  );
}

interface JustOutsideListProps {
  readonly shown: JustOutside[];
  readonly rule: Rule;
  readonly index: CatalogIndex;
  readonly where: RuleContext;
  readonly words: RuleWords;
  readonly onKeep: (id: string) => void;
}

function JustOutsideList({ shown, rule, index, where, words, onKeep }: JustOutsideListProps) {
  return (
    <section aria-labelledby="just-outside">
      <h2 id="just-outside">{texts.nearMisses}</h2>
      <ul className="rule-rows">
        {shown.map((one) => (
          <Row
            key={one.id}
            id={one.id}
            rule={rule}
            index={index}
            where={where}
            words={words}
            reason={one.because}
            note={null}
            isByHand={false}
            act={texts.include}
            onAct={() => {
              onKeep(one.id);
            }}
          />
        ))}
      </ul>
    </section>
  );
}

function ByHand({ draft, onHand }: { draft: Draft; onHand: Props['onHand'] }) {
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  const { alwaysIn, alwaysOut } = draft;
  if (alwaysIn.length + alwaysOut.length === 0) {
    return null;
  }
  const row = (id: string, isIn: boolean) => {
    const plugin = pluginById.get(id);
    return (
      <li key={id}>
        <span>
          {plugin ? nameOf(plugin) : texts.aPluginThatIsGone}{' '}
          <span className="text-soft">{isIn ? texts.alwaysIn : texts.alwaysExcluded}</span>
        </span>
        <Button
          variant="bare"
          size="sm"
          onClick={() => {
            onHand(
              alwaysIn.filter((one) => one !== id),
              alwaysOut.filter((one) => one !== id),
            );
          }}
        >
          {texts.letTheRuleDecide}
        </Button>
      </li>
    );
  };
  return (
    <section aria-labelledby="by-hand">
      <h2 id="by-hand">{texts.byHand}</h2>
      <ul className="plain-rows">
        {alwaysIn.map((id) => row(id, true))}
        {alwaysOut.map((id) => row(id, false))}
      </ul>
    </section>
  );
}

interface RowProps {
  readonly id: string;
  readonly rule: Rule;
  readonly index: CatalogIndex;
  readonly where: RuleContext;
  readonly words: RuleWords;
  readonly reason?: string;
  readonly note: 'joins' | 'leaves' | null;
  readonly isByHand: boolean;
  readonly act: string;
  readonly onAct: () => void;
}

function Row({ id, rule, index, where, words, reason, note, isByHand, act, onAct }: RowProps) {
  const { pluginById, pictureOf } = useCatalog();
  const { nameOf } = useArrangement();
  const plugin = pluginById.get(id);
  const at = index.positionOf(id);
  if (!plugin || at === undefined) {
    return null;
  }
  const candidate = index.at(at);
  const why =
    reason ??
    (isByHand
      ? texts.alwaysIncludedByHand
      : (explain(rule, candidate, where, words) ?? ofWhat(plugin)));
  const name = nameOf(plugin);
  return (
    <li>
      <Faceplate seed={faceOf(plugin)} width={40} picture={pictureOf(plugin)} />
      <span className="names">
        <span className="name">
          <Marked text={name} spans={spansIn(rule, name)} />
          {name !== plugin.name && (
            <span className="original">
              <Marked text={plugin.name} spans={spansIn(rule, plugin.name)} />
            </span>
          )}
        </span>
        <span className="vendor">{why}</span>
      </span>
      {note !== null && <span className={`badge-note ${note}`}>{note}</span>}
      <Button
        variant="quiet"
        size="sm"
        aria-label={`${act}: ${said(plugin, name)}`}
        onClick={onAct}
      >
        {act}
      </Button>
    </li>
  );
}

const said = (plugin: Plugin, name: string): string =>
  fold(name) === fold(plugin.name) ? name : `${name}, ${plugin.name}`;
const spansIn = (rule: Rule, text: string): Span[] =>
  rule.cards.flatMap((card) => card.lines.flatMap((line) => ruleHighlights(line, text)));

/** The text with some of its letters marked. */
function Marked({ text, spans }: { text: string; spans: readonly Span[] }) {
  const parts: { text: string; isMarked: boolean }[] = [];
  let from = 0;
  for (const { start, end } of [...spans].sort((a, b) => a.start - b.start || b.end - a.end)) {
    if (start < from) {
      continue;
    }
    parts.push(
      { text: text.slice(from, start), isMarked: false },
      { text: text.slice(start, end), isMarked: true },
    );
    from = end;
  }
  parts.push({ text: text.slice(from), isMarked: false });
  return (
    <span>
      {parts
        .filter((part) => part.text !== '')
        .map((part, i) =>
          part.isMarked ? <mark key={i}>{part.text}</mark> : <span key={i}>{part.text}</span>,
        )}
    </span>
  );
}
