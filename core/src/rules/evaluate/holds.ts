/** Rules compiled to functions that answer for one plugin, and say why. */
import { day } from '../../time.ts';
import { compareNames } from '../../text/compare.ts';
import { fold, wordsOf } from '../../text/fold.ts';
import { spanOf, type Span } from './columns.ts';
import { isSetting, type Candidate, type RuleText } from './candidate.ts';
import {
  daysOf,
  fields,
  foldersRead,
  isOfTime,
  linesOf,
  meansSettings,
  type Card,
  type Line,
  type Rule,
} from '../language/rule.ts';

/**
 * Where a rule is evaluated: the time in milliseconds since 1970, and what is in which folder (with
 * all below it).
 */
export interface RuleContext {
  readonly now: number;
  readonly isIn: (folder: string, plugin: string) => boolean;
  /** Whether somebody filed the plugin anywhere by hand. */
  readonly isFiled: (plugin: string) => boolean;
}

/** Whether a line or a rule lets a plugin in. */
export type Holds = (candidate: Candidate, where: RuleContext) => boolean;

type TextField = keyof Candidate['texts'];
type SetField = keyof Candidate['sets'];

/**
 * Whether one value of a text line is met by one text. The spaced form begins each word with a
 * space; what something starts with is told by letters and figures alone.
 */
export function meetsText(relation: Line['relation'], value: string): (text: RuleText) => boolean {
  const folded = fold(value);
  const words = wordsOf(value);
  const spaced = ` ${words.join(' ')}`;
  const joined = words.join('');
  switch (relation) {
    case 'has':
    case 'has no':
      return (text) => text.spaced.includes(spaced);
    case 'has word':
      return (text) => `${text.spaced} `.includes(`${spaced} `);
    case 'has letters':
      return (text) => text.folded.includes(folded);
    case 'starts with':
      return (text) => text.joined.startsWith(joined);
    case 'is':
    case 'is not':
      return (text) => text.folded === folded;
    default:
      return () => false;
  }
}

/** Relations that hold when none of their values does. */
export const isNegative = (relation: Line['relation']): boolean =>
  relation === 'has no' || relation === 'is not';

/** Makes a line into a function. */
export function compileLine(line: Line): Holds {
  const { field, relation, values } = line;
  switch (fields[field]) {
    case 'text': {
      const meets = values.map((value) => meetsText(relation, value));
      const any = (texts: readonly RuleText[]): boolean =>
        texts.some((text) => meets.some((one) => one(text)));
      const name = field as TextField;
      if (relation === 'is missing') {
        return ({ texts }) => texts[name].length === 0;
      }
      return isNegative(relation)
        ? ({ texts }) => !any(texts[name])
        : ({ texts }) => any(texts[name]);
    }
    case 'set':
      return field === 'folder'
        ? compileFolder(line)
        : compileSet(field as SetField, relation, new Set(values));
    case 'number':
      return compileNumber(field as keyof Candidate['numbers'], relation, values.map(Number));
    case 'version':
      return compileVersion(relation, values);
    case 'time':
      return compileTime(field as keyof Candidate['times'], relation, values);
    default:
      return fields[field] satisfies never;
  }
}

function compileSet(
  field: SetField,
  relation: Line['relation'],
  values: ReadonlySet<string>,
): Holds {
  switch (relation) {
    case 'is not':
      return ({ sets }) => !sets[field].some((one) => values.has(one));
    case 'is missing':
      return ({ sets }) => sets[field].length === 0;
    // A type counts as one of the values when its group is one of them.
    case 'is only':
      return field === 'type'
        ? ({ types }) =>
            types.length > 0 &&
            types.every((type) => values.has(type) || values.has(type.split('/')[0] ?? type))
        : ({ sets }) => sets[field].length > 0 && sets[field].every((one) => values.has(one));
    default:
      return ({ sets }) => sets[field].some((one) => values.has(one));
  }
}

function compileFolder({ relation, values }: Line): Holds {
  const any: Holds = ({ id }, { isIn }) => values.some((folder) => isIn(folder, id));
  if (relation === 'is missing') {
    return ({ id }, { isFiled }) => !isFiled(id);
  }
  return relation === 'is not' ? (candidate, where) => !any(candidate, where) : any;
}

function compileNumber(
  field: keyof Candidate['numbers'],
  relation: Line['relation'],
  values: readonly number[],
): Holds {
  const meets = (n: number): boolean =>
    values.some((value) => {
      if (relation === 'at least') {
        return n >= value;
      }
      if (relation === 'at most') {
        return n <= value;
      }
      return n === value;
    });
  return relation === 'is not'
    ? ({ numbers }) => !numbers[field].some(meets)
    : ({ numbers }) => numbers[field].some(meets);
}

function compileVersion(relation: Line['relation'], values: readonly string[]): Holds {
  if (relation === 'is missing') {
    return ({ versions }) => versions.length === 0;
  }
  const meets = (version: string): boolean =>
    values.some((value) => {
      const order = compareVersions(version, value);
      if (relation === 'at least') {
        return order >= 0;
      }
      if (relation === 'before') {
        return order < 0;
      }
      return order === 0;
    });
  return relation === 'is not'
    ? ({ versions }) => !versions.some(meets)
    : ({ versions }) => versions.some(meets);
}

/**
 * Versions by their figures, part by part; what is missing counts as 0. "2.1" equals "2.1.0" and
 * comes before "2.10".
 */
export function compareVersions(a: string, b: string): number {
  const x = a.match(/\d+/g) ?? [];
  const y = b.match(/\d+/g) ?? [];
  for (let at = 0; at < Math.max(x.length, y.length); at += 1) {
    const order = Number(x[at] ?? 0) - Number(y[at] ?? 0);
    if (order !== 0) {
      return order;
    }
  }
  return x.length + y.length === 0 ? compareNames(fold(a), fold(b)) : 0;
}

/** Never counts as not within any span, and as neither before nor after a day. */
function compileTime(
  field: keyof Candidate['times'],
  relation: Line['relation'],
  values: readonly string[],
): Holds {
  const spans = values.map((value) => (daysOf(value) ?? 0) * day);
  const days = values.map((value) => Date.parse(`${value}T00:00:00Z`));
  switch (relation) {
    case 'never':
      return ({ times }) => times[field] === null;
    case 'within the last':
      return ({ times }, { now }) => {
        const at = times[field];
        return at !== null && spans.some((span) => now - at <= span && at <= now);
      };
    case 'not within the last':
      return ({ times }, { now }) => {
        const at = times[field];
        return at === null || !spans.some((span) => now - at <= span && at <= now);
      };
    case 'within the next':
      return ({ times }, { now }) => {
        const at = times[field];
        return at !== null && spans.some((span) => at >= now && at - now <= span);
      };
    case 'after':
      return ({ times }) => {
        const at = times[field];
        return at !== null && days.some((one) => at >= one + day);
      };
    default:
      return ({ times }) => {
        const at = times[field];
        return at !== null && days.some((one) => at < one);
      };
  }
}

/** What a card does where all its lines hold: settings are let in only where it asks for them. */
export type CardSort = 'keeps out' | 'lets in all' | 'lets in plugins';

/** A card made into functions. Without lines it holds for nothing. */
interface CompiledCard {
  readonly sort: CardSort;
  readonly lines: readonly Holds[];
}

/** A rule made into a function, with what it asks for beside the plugin. */
export interface CompiledRule {
  readonly rule: Rule;
  /** The first that holds decides; where none does, the plugin is not in. */
  readonly cards: readonly CompiledCard[];
  /** The folders it asks for, its lines with spans of time, and whether it asks what is filed at all. */
  readonly folders: readonly string[];
  readonly spans: readonly Span[];
  readonly asksWhetherFiled: boolean;
  readonly holds: Holds;
}

/** Makes a rule into a function. */
export function compileRule(rule: Rule): CompiledRule {
  const cards = [
    ...rule.never.map((card) => asFunctions(card, 'keeps out')),
    ...rule.cards.map((card) =>
      asFunctions(card, meansSettings(card) ? 'lets in all' : 'lets in plugins'),
    ),
  ];
  const lines = linesOf(rule);
  return {
    rule,
    cards,
    folders: foldersRead(rule),
    spans: lines.filter(isOfTime).map(spanOf),
    asksWhetherFiled: lines.some(
      (line) => line.field === 'folder' && line.relation === 'is missing',
    ),
    holds: (candidate, where) => {
      const first = cards.find((card) => cardHolds(card, candidate, where));
      return first !== undefined && first.sort !== 'keeps out';
    },
  };
}

const asFunctions = ({ lines }: Card, sort: CardSort): CompiledCard => ({
  sort,
  lines: lines.map(compileLine),
});

/** Whether a card lets the plugin in, or keeps it out. */
export const cardHolds = (
  { sort, lines }: CompiledCard,
  candidate: Candidate,
  where: RuleContext,
): boolean =>
  lines.length > 0 &&
  !(sort === 'lets in plugins' && isSetting(candidate)) &&
  lines.every((holds) => holds(candidate, where));

/** A card without lines holds for nothing. */
export function compileCard(card: Card): Holds {
  const compiled = asFunctions(card, 'lets in all');
  return (candidate, where) => cardHolds(compiled, candidate, where);
}
