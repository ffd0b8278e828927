/**
 * Smart folders: 500 rules over 20,000 plugins, one changed plugin, a preview in Chromium; and the
 * trade's words against declared classes of real LV2 plugins.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { Client } from 'pg';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import {
  candidateOf,
  compileLine,
  compileRule,
  createFiller,
  keywordRule,
  parseRule,
  type Candidate,
  type Line,
  type Rule,
  type RuleContext,
} from '@clever-drawer/core/rules';
import { day } from '@clever-drawer/core/time';
import { makePlugins } from '@clever-drawer/demo';
import { startCluster } from '@clever-drawer/server';
import { args } from './keystroke.ts';
import { readKnown, type Known } from './lv2-truth.ts';
import { measured, timed, type Measured, type Outcome } from './measure.ts';
import { withStudio } from './server.ts';

const size = 20_000;
const count = 500;
const rounds = 40;
const now = Date.now();
const where: RuleContext = { now, isIn: () => false, isFiled: () => false };

function makeCatalog(): Plugin[] {
  const formats = ['VST3', 'CLAP', 'VST2', 'LV2'] as const;
  return makePlugins(7, size).map(
    (p, i): Plugin => ({
      id: asId(`p${i}`),
      name: p.name,
      vendor: p.vendor.name,
      kind: i % 9 === 0 ? 'instrument' : 'effect',
      types: [p.type],
      arrived: new Date(now - (i % 900) * day).toISOString(),
      copies: [
        {
          id: asId(`c${i}`),
          format: formats[i % 4] ?? 'VST3',
          path: '',
          version: `1.${i % 7}`,
          hasPicture: false,
          is32Bit: i % 11 === 0,
          isFailed: false,
          audioIn: i % 3,
          audioOut: 2,
          state: 'present',
        },
      ],
    }),
  );
}

const around = (i: number) => ({
  nickname: null,
  slotLabel: null,
  answer: undefined,
  loads: i % 13 === 0 ? i % 40 : 0,
  lastLoaded: i % 13 === 0 ? new Date(now - (i % 400) * day).toISOString() : null,
});

const ruleWords = [
  'delay, echo, slap',
  'verb, room, hall, plate',
  'comp, limiter, gate',
  'drive, tape, tube',
  'chorus, flanger, phaser',
  'tape echo',
  'synth',
  'eq, tilt, shelf',
  'strings, brass',
  'noise',
];
const ruleTypes = [
  'delay',
  'reverb',
  'dynamics/compressor',
  'distortion',
  'modulation',
  'eq',
  'synth',
  'restoration',
];

/**
 * Rules as people write them: the trade's words, types, vendors, formats, use and time, most of
 * several lines.
 */
function makeRules(catalog: readonly Plugin[]): Rule[] {
  return Array.from({ length: count }, (_, i) => {
    const word = ruleWords[i % ruleWords.length] ?? '';
    const type = ruleTypes[i % ruleTypes.length] ?? '';
    const vendor =
      catalog.slice((i * 37) % size).find((p) => (p.vendor ?? '') !== '')?.vendor ?? 'Osier';
    const texts = [
      `name has ${word}\nkind is effect\n\ntype is ${type}\n\nnever\nbits is only 32`,
      `type is ${type}\nvendor is "${vendor}"\n\nvendor is "${vendor}"\nname has word ${word.split(', ')[0] ?? ''}`,
      `name has ${word}\nformat is VST3, CLAP\n\nnever\ntype is ${type}\nkind is instrument`,
      `last loaded within the last ${10 + (i % 300)} days\ntype is ${type}`,
      `times loaded at least ${i % 30}\nkind is effect`,
      `arrived within the last ${10 + (i % 200)} days\n\nname has ${word}\nbits is 64`,
      `type is not ${type}\nname has ${word}`,
      `name starts with ${word.slice(0, 2)}\nvendor is not "${vendor}"`,
    ];
    const rule = parseRule(texts[i % texts.length] ?? '');
    if (!rule.ok) {
      throw new Error(JSON.stringify(rule.problems));
    }
    return rule.value;
  });
}

/**
 * The same answers without preparing anything: every line of every rule asked of every plugin, and
 * compiled each time.
 */
function naive(rules: readonly Rule[], candidates: readonly Candidate[]): number {
  let found = 0;
  const holds = (line: Line, candidate: Candidate): boolean => compileLine(line)(candidate, where);
  for (const { cards, never } of rules) {
    for (const candidate of candidates) {
      if (
        cards.some((card) => card.lines.every((line) => holds(line, candidate))) &&
        !never.some((card) => card.lines.every((line) => holds(line, candidate)))
      ) {
        found += 1;
      }
    }
  }
  return found;
}

/** Keyword rules of name alone over the same names in PostgreSQL, one statement a rule. */
async function inPostgres(catalog: readonly Plugin[], rules: readonly Rule[]): Promise<number> {
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  const cluster = await startCluster(data);
  const client = new Client(await cluster.database('bench'));
  await client.connect();
  try {
    await client.query(
      'CREATE TABLE p (name text, vendor text, kind text, types text[], formats text[], is32 boolean)',
    );
    await client.query(
      `INSERT INTO p SELECT name, vendor, kind, types, formats, is32
        FROM jsonb_to_recordset($1::jsonb) AS x (name text, vendor text, kind text, types text[],
        formats text[], is32 boolean)`,
      [
        JSON.stringify(
          catalog.map((p) => ({
            ...p,
            formats: p.copies.map((c) => c.format),
            is32: p.copies.every((c) => c.is32Bit),
          })),
        ),
      ],
    );
    await client.query('ANALYZE p');
    const sql = rules.map(
      (rule) =>
        `SELECT count(*) FROM p WHERE ${rule.cards.map((card) => `(${card.lines.map(sqlOf).join(' AND ')})`).join(' OR ')}`,
    );
    return await timed(async () => {
      for (const one of sql) {
        await client.query(one);
      }
    });
  } finally {
    await client.end();
    await cluster.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

/** Lines of the kinds that the table has; the others let everything pass, which is in PostgreSQL's favour. */
function sqlOf({ field, relation, values }: Line): string {
  const quoted = values.map((value) => `'${value.replaceAll("'", "''").toLowerCase()}'`);
  if (field === 'name') {
    return `(${quoted.map((value) => (relation === 'starts with' ? `starts_with(lower(name), ${value})` : `lower(name) ~ ('\\m' || ${value})`)).join(' OR ')})`;
  }
  if (field === 'vendor') {
    return `${relation === 'is not' ? 'NOT ' : ''}(lower(vendor) IN (${quoted.join(',')}))`;
  }
  if (field === 'kind') {
    return `kind IN (${quoted.join(',')})`;
  }
  if (field === 'format') {
    return `formats && ARRAY[${values.map((value) => `'${value}'`).join(',')}]::text[]`;
  }
  if (field === 'type') {
    return `${relation === 'is not' ? 'NOT ' : ''}EXISTS (SELECT FROM unnest(types) t
      WHERE ${values.map((value) => `t = '${value}' OR t LIKE '${value}/%'`).join(' OR ')})`;
  }
  return 'true';
}

async function inCore(): Promise<Measured[]> {
  const catalog = makeCatalog();
  const rules = makeRules(catalog);
  const candidates = catalog.map((plugin, i) => candidateOf(plugin, around(i)));
  const folders = rules.map((rule, i) => ({ id: `s${i}`, rule, alwaysIn: [], alwaysOut: [] }));
  const input = {
    candidates,
    folders,
    placed: new Map<string, string[]>(),
    andBelow: (id: string) => [id],
    now,
  };
  const prepared: number[] = [];
  const first: number[] = [];
  const full: number[] = [];
  const one: number[] = [];
  const rule: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    prepared.push(await timed(() => catalog.map((plugin, i) => candidateOf(plugin, around(i)))));
    const fill = createFiller();
    first.push(await timed(() => fill(input)));
    // Other objects for the same rules: each is compiled and asked anew, over the catalog as it is
    // prepared now.
    full.push(
      await timed(() =>
        fill({
          ...input,
          folders: folders.map((folder) => ({ ...folder, rule: { ...folder.rule } })),
        }),
      ),
    );
    fill(input);
    const fresh = candidateOf({
      ...(catalog[round * 50] as Plugin),
      name: 'Quillfeather Tape Echo',
    });
    const changed = candidates.map((candidate, at) => (at === round * 50 ? fresh : candidate));
    one.push(await timed(() => fill({ ...input, candidates: changed })));
    rule.push(
      await timed(() =>
        fill({
          ...input,
          candidates: changed,
          folders: folders.map((folder, at) =>
            at === round ? { ...folder, rule: rules[round + 20] as Rule } : folder,
          ),
        }),
      ),
    );
  }
  const slow = [await timed(() => naive(rules.slice(0, 50), candidates))].map(
    (ms) => ms * (count / 50),
  );
  const postgres = await inPostgres(catalog, rules);
  return [
    measured(`${count} rules over ${size.toLocaleString('en')} plugins in full`, full, {
      name: 'naive, every line of every plugin (50 rules × 10)',
      samples: slow,
    }),
    measured('the same', full, {
      name: 'PostgreSQL, a statement a rule, times and numbers let pass',
      samples: [postgres],
    }),
    measured('the same the first time, the index of the catalog included', first),
    measured('preparing the plugins for rules, once', prepared),
    measured(`one changed plugin against ${count} rules`, one),
    measured('one changed rule', rule),
  ];
}

/** Keystrokes in the text of a rule until the preview is painted. */
async function preview(): Promise<Measured[]> {
  return withStudio(size, async (server) => {
    const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args });
    try {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.goto(
        `${server.address}/rule/new?text=${encodeURIComponent('kind is effect\nname has delay')}`,
      );
      await page.locator('.rule-rows li').first().waitFor();
      await page.waitForTimeout(1_000);
      const field = page.getByRole('textbox', { name: 'As text' });
      await page.evaluate(() => {
        const times: number[] = [];
        Object.assign(window, { keystrokeTimes: times });
        window.addEventListener(
          'keydown',
          (event) => {
            const start = event.timeStamp;
            requestAnimationFrame(() => {
              requestAnimationFrame(() => {
                times.push(performance.now() - start);
              });
            });
          },
          { capture: true },
        );
      });
      await field.focus();
      await page.keyboard.press('Control+End');
      for (const letter of ', echo, slap, tape') {
        await page.keyboard.press(letter === ' ' ? 'Space' : letter);
        await page.waitForTimeout(250);
      }
      const times = await page.evaluate(
        () => (window as unknown as { keystrokeTimes: number[] }).keystrokeTimes,
      );
      return [
        measured(
          `keystroke in the rule's text to painted preview, ${size.toLocaleString('en')} plugins, in Chromium`,
          times,
        ),
      ];
    } finally {
      await browser.close();
    }
  });
}

/** Keyword rules over the names of the installed LV2 plugins, against what these declare. */
const trade: readonly (readonly [group: string, words: string])[] = [
  ['delay', 'delay, echo, slap'],
  ['reverb', 'reverb, verb, room, hall, plate, chamber, spring'],
  ['dynamics', 'comp, compressor, limiter, gate, expander, de esser'],
  ['eq', 'eq, equaliser, equalizer, tilt, shelf'],
  ['distortion', 'drive, saturat, fuzz, tube, tape, clip, distort'],
  ['modulation', 'chorus, flanger, phaser, tremolo, vibrato, rotary'],
  ['filter', 'filter, lowpass, highpass, bandpass'],
];

function qualityOf(known: readonly Known[], group: string, words: string) {
  const rule = keywordRule(words);
  if (!rule.ok) {
    throw new Error(words);
  }
  const { holds } = compileRule(rule.value);
  const all = known.map(({ subject, groups }, i) => ({
    isDeclared: groups.has(group),
    isTaken: holds(
      candidateOf({
        id: asId(String(i)),
        name: subject.name,
        vendor: null,
        kind: 'effect',
        types: [],
        arrived: '',
        copies: [],
      }),
      where,
    ),
  }));
  const taken = all.filter((one) => one.isTaken).length;
  const declared = all.filter((one) => one.isDeclared).length;
  const both = all.filter((one) => one.isTaken && one.isDeclared).length;
  return { group, words, taken, declared, precision: both / taken, recall: both / declared };
}

function quality(): { table: string; facts: object } {
  const known = readKnown().filter(({ set }) => set !== 'swh-plugins');
  const rows = trade.map(([group, words]) => qualityOf(known, group, words));
  const percent = (share: number): string =>
    Number.isNaN(share) ? '–' : `${(100 * share).toFixed(0)} %`;
  return {
    table: [
      '| declared | name has | taken in | declared so | precision | recall |',
      '| --- | --- | ---: | ---: | ---: | ---: |',
      ...rows.map(
        (r) =>
          `| ${r.group} | ${r.words} | ${r.taken} | ${r.declared} | ${percent(r.precision)} | ${percent(r.recall)} |`,
      ),
    ].join('\n'),
    facts: { rules: rows },
  };
}

export async function benchRules(): Promise<Outcome> {
  const core = await inCore();
  const { table, facts } = quality();
  return { rows: [...core, ...(await preview())], tables: [table], facts };
}
