/**
 * LV2 presets (https://lv2plug.in/ns/ext/presets): the manifest of any bundle names them, each with
 * the plugins it applies to; label, bank and values may stand in files that it points to.
 */
import type { Problem } from '../problem.ts';
import { cleanText, limits, type BundleFiles } from './bundle-files.ts';
import { bareSetting, failedSetting, type FoundSetting } from './found-setting.ts';
import { addFile, fileUri, relativePath } from './lv2.ts';
import type { CalledIn } from './statement.ts';
import { Graph } from './turtle.ts';

const PSET = 'http://lv2plug.in/ns/ext/presets#';
const LV2 = 'http://lv2plug.in/ns/lv2core#';
const RDF = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#';
const RDFS = 'http://www.w3.org/2000/01/rdf-schema#';

/** The predicates that are asked for, and what they are called here. */
const asked = new Map([
  [`${RDF}type`, 'type'],
  [`${RDFS}seeAlso`, 'seeAlso'],
  [`${RDFS}label`, 'label'],
  [`${RDFS}comment`, 'comment'],
  [`${PSET}bank`, 'bank'],
  [`${PSET}value`, 'value'],
  [`${LV2}port`, 'port'],
  [`${LV2}appliesTo`, 'appliesTo'],
  // What it was called before 2011.
  [`${PSET}appliesTo`, 'oldAppliesTo'],
] as const);
type Called = CalledIn<typeof asked>;
type PresetGraph = Graph<Called>;

/** The presets of one bundle, one for each plugin they are for, in the order of the manifest. */
export function readLv2Presets(files: BundleFiles): FoundSetting[] {
  const base = fileUri(`${files.root}/`);
  const manifest = new Graph(asked);
  const added = addFile(manifest, files, base, 'manifest.ttl');
  if (!added.ok) {
    return [failedSetting('LV2', files.root, added.problems[0] as Problem)];
  }
  const uris = [...manifest.subjects()].filter((subject) =>
    manifest.resources(subject, 'type').includes(`${PSET}Preset`),
  );
  if (uris.length > limits.settingsInBundle) {
    const got = uris.length;
    const limit = limits.settingsInBundle;
    const problem: Problem = { code: 'too-much', at: files.root, what: 'presets', got, limit };
    return [failedSetting('LV2', files.root, problem)];
  }
  const described = descriptions(files, base);
  return uris.flatMap((uri) => presetsOf({ files, manifest, uri, described }));
}

/** A description beside the manifest: its statements, or why there are none. */
type Described = { readonly graph: PresetGraph } | { readonly problem: Problem };

/** Reads each file that presets point to once. */
function descriptions(files: BundleFiles, base: string): (target: string) => Described | null {
  const read = new Map<string, Described | null>();
  return (target) => {
    const known = read.get(target);
    if (known !== undefined) {
      return known;
    }
    const made = read.size < limits.presetFiles ? describedBy(files, base, target) : tooMany(files);
    read.set(target, made);
    return made;
  };
}

const tooMany = (files: BundleFiles): Described => ({
  problem: {
    code: 'too-much',
    at: files.root,
    what: 'description files',
    got: limits.presetFiles + 1,
    limit: limits.presetFiles,
  },
});

function describedBy(files: BundleFiles, base: string, target: string): Described | null {
  const relative = relativePath(target, base);
  if (relative === null) {
    const isFile = target.startsWith('file:');
    return isFile ? { problem: { code: 'outside-place', at: target } } : null;
  }
  if (!relative.endsWith('.ttl')) {
    return null;
  }
  const graph = new Graph(asked);
  const added = addFile(graph, files, base, relative);
  return added.ok ? { graph } : { problem: added.problems[0] as Problem };
}

interface Preset {
  readonly files: BundleFiles;
  readonly manifest: PresetGraph;
  readonly uri: string;
  readonly described: (target: string) => Described | null;
}

function presetsOf({ files, manifest, uri, described }: Preset): FoundSetting[] {
  const beside = manifest.resources(uri, 'seeAlso').flatMap((target) => described(target) ?? []);
  const graphs = [manifest, ...beside.flatMap((one) => ('graph' in one ? [one.graph] : []))];
  const trouble = beside.flatMap((one) => ('problem' in one ? [one.problem] : []))[0];
  const text = (subject: string, predicate: Called): string | null =>
    graphs.map((graph) => graph.text(subject, predicate)).find((said) => said !== null) ?? null;
  const resources = (predicate: Called): string[] => [
    ...new Set(graphs.flatMap((graph) => graph.resources(uri, predicate))),
  ];
  const plugins = [...new Set([...resources('appliesTo'), ...resources('oldAppliesTo')])];
  const bank = resources('bank')[0];
  const name = cleanText(text(uri, 'label'));
  const problem: Problem | null = trouble ?? whatLacks(uri, plugins, name);
  const setting: FoundSetting = {
    ...bareSetting('LV2', files.root),
    identity: uri,
    name,
    bank: bank === undefined ? null : cleanText(text(bank, 'label')),
    comment: cleanText(text(uri, 'comment')),
    values: valuesOf(graphs, uri),
    status: problem ? 'failed' : 'ok',
    problem,
  };
  return plugins.length === 0 ? [setting] : plugins.map((plugin) => ({ ...setting, plugin }));
}

function whatLacks(uri: string, plugins: readonly string[], name: string | null): Problem | null {
  const lacks = (detail: string): Problem => ({ code: 'damaged', at: uri, line: null, detail });
  if (plugins.length === 0) {
    return lacks('it does not say which plugin it is for.');
  }
  return name === null ? lacks('it says no label.') : null;
}

/** Ports with a value. */
const valuesOf = (graphs: readonly PresetGraph[], uri: string): number =>
  graphs.reduce(
    (sum, graph) =>
      sum +
      graph.resources(uri, 'port').filter((port) => graph.all(port, 'value').length > 0).length,
    0,
  );
