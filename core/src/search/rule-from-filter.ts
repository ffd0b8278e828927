/** What narrows the list, as the rule of a smart folder. */
import { noVendor, type Filter } from './filter.ts';
import { sinceTime, type Facet } from './facets.ts';
import { day } from '../time.ts';
import type { Line, Rule } from '../rules/language/rule.ts';

/**
 * Null when nothing narrows, or what no rule can ask for. Letters are asked for word by word, in
 * names, vendor, types and tags; where letters slip, the list finds more.
 */
export function ruleFromFilter({
  kind,
  type,
  vendor,
  format,
  text,
  unfiled,
  facets,
}: Filter): Rule | null {
  if (facets.state === 'no-program') {
    return null;
  }
  const lines: Line[] = [
    ...(kind === null ? [] : [kind === 'setting' ? is('thing', kind) : is('kind', kind)]),
    ...(type === null ? [] : [type === 'none' ? alone('type') : is('type', type)]),
    ...(vendor === null ? [] : [vendor === noVendor ? alone('vendor') : is('vendor', vendor)]),
    ...(format === null ? [] : [is('format', format)]),
    ...text
      .split(/\s+/)
      .filter((part) => part !== '')
      .map((part): Line => ({ field: 'anything', relation: 'has letters', values: [part] })),
    ...(unfiled ? [alone('folder')] : []),
    ...(Object.entries(facets) as [Facet, string][]).flatMap(
      ([facet, value]) => lineFor(facet, value) ?? [],
    ),
  ];
  return lines.length === 0 ? null : { cards: [{ lines }], never: [] };
}

const is = (field: Line['field'], value: string): Line => ({
  field,
  relation: 'is',
  values: [value],
});
const alone = (field: Line['field']): Line => ({ field, relation: 'is missing', values: [] });
const within = (field: 'arrived' | 'last loaded', days: string): Line => ({
  field,
  relation: 'within the last',
  values: [`${days} days`],
});

/** The day before a time, UTC: what comes after it includes the time's own day. */
const dayBefore = (time: string): string =>
  new Date(Date.parse(time) - day).toISOString().slice(0, 10);

function lineFor(facet: Facet, value: string): Line | null {
  switch (facet) {
    case 'bits':
      return value === '32'
        ? { field: 'bits', relation: 'is only', values: ['32'] }
        : is('bits', '64');
    case 'licence':
      return is('licence', value);
    case 'state':
      return is('state', value === 'away' ? 'out of reach' : value);
    case 'tag':
      return is('tag', value);
    case 'folder':
      return is('folder', value);
    case 'arrived':
      return value.startsWith(sinceTime)
        ? {
            field: 'arrived',
            relation: 'after',
            values: [dayBefore(value.slice(sinceTime.length))],
          }
        : within('arrived', value);
    case 'loaded':
      if (value === 'never') {
        return { field: 'last loaded', relation: 'never', values: [] };
      }
      if (value === 'not-90') {
        return { field: 'last loaded', relation: 'not within the last', values: ['90 days'] };
      }
      return within('last loaded', value);
    default:
      return facet satisfies never;
  }
}
