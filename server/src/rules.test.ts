/**
 * Smart folders in the tables: acts there and back; and rules against PostgreSQL, which answers the
 * same lines in its own way.
 */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import fc from 'fast-check';
import { Client } from 'pg';
import type { CatalogView, OrderView } from '@clever-drawer/core/api';
import {
  CatalogIndex,
  makeCandidate,
  type Candidate,
  type Line,
  type Rule,
  type RuleContext,
} from '@clever-drawer/core/rules';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

const sqlOperators = new Map<string, string>([
  ['at least', '>='],
  ['at most', '<='],
]);

const place = newPlace();
let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
beforeEach(async () => {
  await server.freshComputer();
  for (const name of ['Alder Echo', 'Birch', 'Cedar Delay']) {
    writeBundle(place, `${name}.lv2`, {
      uri: `urn:${name.replace(' ', '')}`,
      name,
      vendor: 'Quoin',
    });
  }
  await server.call('POST', 'places', { path: place });
  await server.scan();
});
afterAll(async () => {
  await server.stop();
  rmSync(place, { recursive: true });
});

const order = async (): Promise<OrderView> => (await server.call<OrderView>('GET', 'order')).body;
const rule = (field: string, relation: string, ...values: string[]) => ({
  cards: [{ lines: [{ field, relation, values }] }],
  never: [],
});

describe('acts on smart folders', () => {
  it('are stored as they are done and undone to what was before', async () => {
    const plugins = (await server.call<CatalogView>('GET', 'catalog')).body.plugins.map(
      (plugin) => plugin.id,
    );
    const cabinet = (await order()).records.find((record) => record.table === 'cabinet')?.id;
    const [smart, other] = [randomUUID(), randomUUID()];
    const acts = [
      {
        act: 'add-folder',
        id: smart,
        cabinet,
        parent: null,
        form: 'smart',
        name: 'Echoes',
        rule: rule('name', 'has', 'echo'),
        before: null,
        smart: { alwaysIn: [plugins[1]], alwaysOut: [], sortedBy: 'lately', atMost: 20 },
      },
      {
        act: 'add-folder',
        id: other,
        cabinet,
        parent: null,
        form: 'smart',
        name: 'Others',
        rule: {
          cards: [{ lines: [{ field: 'folder', relation: 'is', values: [smart] }] }],
          never: [
            { lines: [{ field: 'last loaded', relation: 'within the last', values: ['30 days'] }] },
          ],
        },
        before: null,
      },
      {
        act: 'set-rule',
        folder: smart,
        rule: rule('type', 'is', 'delay/delay'),
        name: 'All delays',
        smart: { alwaysIn: [], alwaysOut: [plugins[0]], sortedBy: null, atMost: null },
      },
      { act: 'keep-by-hand', folder: smart, plugins: [plugins[2]], as: 'in' },
      { act: 'settle', folder: other, plugins: [{ placement: randomUUID(), plugin: plugins[0] }] },
    ];
    const states = [await server.storedOrder()];
    for (const act of acts) {
      expect([act.act, (await server.call('POST', 'acts', act)).status]).toEqual([act.act, 200]);
      states.push(await server.storedOrder());
    }
    expect(new Set(states.map((state) => state.join())).size).toBe(acts.length + 1);
    await server.restart();
    for (let at = acts.length - 1; at >= 0; at -= 1) {
      await server.call('POST', 'undo');
      expect(await server.storedOrder()).toEqual(states[at]);
    }
    for (let at = 1; at <= acts.length; at += 1) {
      await server.call('POST', 'redo');
      expect(await server.storedOrder()).toEqual(states[at]);
    }
  });
  it('are refused with the reason: a circle, values that are none, a folder that has no rule', async () => {
    const cabinet = (await order()).records.find((record) => record.table === 'cabinet')?.id;
    const smart = randomUUID();
    await server.call('POST', 'acts', {
      act: 'add-folder',
      id: smart,
      cabinet,
      parent: null,
      form: 'smart',
      name: 'All delays',
      rule: rule('type', 'is', 'delay/delay'),
      before: null,
    });
    const records = (await order()).records;
    const ordinary = records.find(
      (record) => record.table === 'folder' && record.form === 'favourites',
    )?.id;
    const refused = async (body: object): Promise<[number, string]> => {
      const answer = await server.call<{ problems?: { message: string }[] }>('POST', 'acts', body);
      return [answer.status, answer.body.problems?.map((p) => p.message).join(' ') ?? ''];
    };
    expect(
      await refused({ act: 'set-rule', folder: smart, rule: rule('folder', 'is', smart) }),
    ).toEqual([
      409,
      'All delays would depend on itself: All delays asks for All delays. Remove one of them from the rule.',
    ]);
    expect(
      await refused({ act: 'set-rule', folder: ordinary, rule: rule('name', 'has', 'x') }),
    ).toEqual([409, 'Favourites is not a smart folder and has no rule.']);
    for (const wrong of [
      rule('type', 'is', 'dealy'),
      rule('name', 'at least', '3'),
      rule('arrived', 'within the last', 'a while'),
      rule('last loaded', 'never', '1'),
      rule('name', 'has'),
      rule('nmae', 'has', 'x'),
      { cards: [], never: [] },
    ]) {
      expect((await refused({ act: 'set-rule', folder: smart, rule: wrong }))[0]).toBe(400);
    }
  });
});

describe('rules over random catalogs', () => {
  const now = Date.parse('2026-11-24T12:00:00Z');
  const day = 86_400_000;
  const where: RuleContext = { now, isIn: () => false, isFiled: () => false };
  const some = <T>(list: readonly T[], most = 3) =>
    fc.uniqueArray(fc.constantFrom(...list), { minLength: 1, maxLength: most });
  const time = fc.option(
    fc.integer({ min: 0, max: 200 }).map((days) => now - days * day - 7),
    { nil: null },
  );
  const facts = fc.record({
    name: fc.constantFrom(
      'Tape Echo',
      'Slow Echoes',
      'Parameters',
      'Hall of Tape',
      'Slap Delay',
      'Pale Plate',
      'Mid Side',
    ),
    vendor: fc.option(fc.constantFrom('Osier', 'Low Meadow', 'Pale'), { nil: null }),
    types: some(['delay', 'delay/looper', 'reverb/hall', 'eq'], 2),
    kind: fc.constantFrom('effect', 'instrument', 'tool'),
    formats: some(['VST3', 'LV2', 'VST2'], 2),
    bits: some(['32', '64'], 2),
    licence: fc.constantFrom('owned', 'trial', 'unknown'),
    tags: fc.uniqueArray(fc.constantFrom('film', 'puppets'), { maxLength: 2 }),
    loads: fc.nat(5),
    lastLoaded: time,
    arrived: time,
  });
  type Facts = typeof facts extends fc.Arbitrary<infer T> ? T : never;
  const candidate = (f: Facts, i: number): Candidate =>
    makeCandidate({
      id: String(i),
      names: [f.name],
      vendor: f.vendor,
      tags: f.tags,
      notes: '',
      types: f.types,
      kind: f.kind,
      formats: f.formats,
      bits: f.bits,
      licence: f.licence,
      states: ['present'],
      versions: [],
      inputs: [],
      outputs: [],
      loads: f.loads,
      arrived: f.arrived,
      lastLoaded: f.lastLoaded,
      trialEnds: null,
    });
  const l = (
    field: Line['field'],
    relations: readonly Line['relation'][],
    values: readonly string[],
    most = 3,
  ) =>
    fc.record({
      field: fc.constant(field),
      relation: fc.constantFrom(...relations),
      values: some(values, most),
    });
  const line: fc.Arbitrary<Line> = fc.oneof(
    l(
      'name',
      ['has', 'has word', 'has letters', 'has no', 'starts with', 'is', 'is not'],
      ['echo', 'tape', 'Tape Echo', 'meter', 'pale', 'slow e', 'delay'],
    ),
    l('vendor', ['is', 'is not'], ['osier', 'Pale']),
    l('tag', ['is'], ['Film', 'puppets']),
    l('type', ['is', 'is not', 'is only'], ['delay', 'delay/looper', 'reverb', 'eq/tone']),
    l('kind', ['is', 'is not'], ['effect', 'tool']),
    l('format', ['is', 'is not', 'is only'], ['VST3', 'LV2', 'CLAP']),
    l('bits', ['is', 'is only'], ['32', '64']),
    l('licence', ['is', 'is not'], ['owned', 'trial']),
    l('times loaded', ['is', 'is not', 'at least', 'at most'], ['0', '2', '4']),
    l('last loaded', ['within the last', 'not within the last'], ['30 days', '3 months'], 1),
    l('arrived', ['before', 'after'], ['2026-10-01', '2026-11-01'], 1),
    fc.constant<Line>({ field: 'last loaded', relation: 'never', values: [] }),
    fc.constant<Line>({ field: 'vendor', relation: 'is missing', values: [] }),
  );
  const card = fc.array(line, { minLength: 1, maxLength: 3 }).map((lines) => ({ lines }));
  const anyRule: fc.Arbitrary<Rule> = fc.record({
    cards: fc.array(card, { minLength: 1, maxLength: 3 }),
    never: fc.array(card, { maxLength: 1 }),
  });

  it('take in what PostgreSQL takes in', async () => {
    const client = new Client(server.database);
    await client.connect();
    try {
      await client.query(
        'CREATE TEMP TABLE p (id int, name text, vendor text, types text[], kind text, formats text[], bits text[], licence text, tags text[], loads int, last_loaded timestamptz, arrived timestamptz)',
      );
      let rules = 0;
      await fc.assert(
        fc.asyncProperty(
          fc.array(facts, { maxLength: 12 }),
          fc.array(anyRule, { minLength: 1, maxLength: 4 }),
          async (all, wanted) => {
            await client.query('TRUNCATE p');
            await client.query(
              `INSERT INTO p SELECT id, name, vendor, types, kind, formats, bits, licence, tags, loads, last_loaded, arrived FROM jsonb_to_recordset($1::jsonb) AS x (id int, name text, vendor text, types text[], kind text, formats text[], bits text[], licence text, tags text[], loads int, last_loaded timestamptz, arrived timestamptz)`,
              [
                JSON.stringify(
                  all.map((f, id) => ({
                    ...f,
                    id,
                    last_loaded: f.lastLoaded === null ? null : new Date(f.lastLoaded),
                    arrived: f.arrived === null ? null : new Date(f.arrived),
                  })),
                ),
              ],
            );
            const index = new CatalogIndex(all.map(candidate));
            for (const one of wanted) {
              rules += 1;
              const { rows } = await client.query<{ id: number }>(
                `SELECT id FROM p WHERE ${sqlOf(one)} ORDER BY id`,
              );
              expect(index.idsOf(index.rule(one, where))).toEqual(
                rows.map((row) => String(row.id)),
              );
            }
          },
        ),
        { numRuns: 150 },
      );
      expect(rules).toBeGreaterThan(150);
    } finally {
      await client.end();
    }
  });

  const text = (value: string): string => `'${value.replaceAll("'", "''").toLowerCase()}'`;
  const any = (parts: readonly string[]): string => `(${parts.join(' OR ')})`;
  const array = (values: readonly string[]): string =>
    `ARRAY[${values.map((value) => `'${value}'`).join(',')}]::text[]`;
  /** A type or any of its group, in SQL. */
  const within = (value: string): string =>
    `EXISTS (SELECT FROM unnest(types) t WHERE t = '${value}' OR t LIKE '${value}/%')`;
  const onlyWithin = (values: readonly string[]): string =>
    `cardinality(types) > 0 AND NOT EXISTS (SELECT FROM unnest(types) t WHERE NOT ${any(values.map((value) => `(t = '${value}' OR t LIKE '${value}/%')`))})`;

  function sqlOfLine({ field, relation, values }: Line): string {
    const not = relation === 'is not' || relation === 'has no' ? 'NOT ' : '';
    const [first = ''] = values;
    const days = (value: string): string => (value === '3 months' ? '90 days' : value);
    const since = `timestamptz '2026-11-24T12:00:00Z' - interval '${days(first)}'`;
    switch (field) {
      case 'name':
        return `${not}${any(values.map((value) => ({ has: `lower(name) ~ ('\\m' || ${text(value)})`, 'has no': `lower(name) ~ ('\\m' || ${text(value)})`, 'has word': `lower(name) ~ ('\\m' || ${text(value)} || '\\M')`, 'has letters': `strpos(lower(name), ${text(value)}) > 0`, 'starts with': `starts_with(replace(lower(name), ' ', ''), replace(${text(value)}, ' ', ''))`, is: `lower(name) = ${text(value)}`, 'is not': `lower(name) = ${text(value)}` })[relation as 'has']))}`;
      case 'vendor':
        return relation === 'is missing'
          ? 'vendor IS NULL'
          : `${not}coalesce(${any(values.map((value) => `lower(vendor) = ${text(value)}`))}, false)`;
      case 'tag':
        return any(
          values.map(
            (value) => `EXISTS (SELECT FROM unnest(tags) t WHERE lower(t) = ${text(value)})`,
          ),
        );
      case 'type':
        return relation === 'is only'
          ? `(${onlyWithin(values)})`
          : `${not}${any(values.map(within))}`;
      case 'kind':
      case 'licence':
        return `${not}(${field} = ANY(${array(values)}))`;
      case 'format':
      case 'bits': {
        const column = field === 'format' ? 'formats' : 'bits';
        return relation === 'is only'
          ? `(${column} <@ ${array(values)} AND cardinality(${column}) > 0)`
          : `${not}(${column} && ${array(values)})`;
      }
      case 'times loaded':
        return `${not}${any(values.map((value) => `loads ${sqlOperators.get(relation) ?? '='} ${value}`))}`;
      case 'last loaded':
        return relation === 'never'
          ? 'last_loaded IS NULL'
          : `${relation.startsWith('not') ? 'NOT ' : ''}coalesce(last_loaded >= ${since}, false)`;
      case 'arrived':
        return `coalesce((arrived AT TIME ZONE 'UTC')::date ${relation === 'before' ? '<' : '>'} date '${first}', false)`;
      default:
        throw new Error(field);
    }
  }
  const sqlOf = ({ cards, never }: Rule): string => {
    const all = (lines: readonly Line[]): string => `(${lines.map(sqlOfLine).join(' AND ')})`;
    return `${any(cards.map((one) => all(one.lines)))}${never.map((one) => ` AND NOT ${all(one.lines)}`).join('')}`;
  };
});
