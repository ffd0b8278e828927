/**
 * LV2 bundles: everything stands in Turtle (https://lv2plug.in/ns/lv2core). `manifest.ttl` names the plugins,
 * each with its `rdfs:seeAlso` files.
 */
import type { Problem, Result } from '../problem.ts';
import { machinesIn } from './binary.ts';
import { type BundleFiles, cleanText, limits } from './bundle-files.ts';
import { bareCopy, describedBy, failedCopy, mostControls, type FoundCopy } from './found-copy.ts';
import type { CalledIn } from './statement.ts';
import { Graph } from './turtle.ts';

const LV2 = 'http://lv2plug.in/ns/lv2core#';
const RDF = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#';
const RDFS = 'http://www.w3.org/2000/01/rdf-schema#';
const DOAP = 'http://usefulinc.com/ns/doap#';
const FOAF = 'http://xmlns.com/foaf/0.1/';
const ATOM = 'http://lv2plug.in/ns/ext/atom#';
const EVENT = 'http://lv2plug.in/ns/ext/event#';
const MIDI_EVENT = 'http://lv2plug.in/ns/ext/midi#MidiEvent';
const MODGUI = 'http://moddevices.com/ns/modgui#';

/** The predicates that are asked for, and what they are called here. */
const asked = new Map([
  [`${RDF}type`, 'type'],
  [`${RDFS}seeAlso`, 'seeAlso'],
  [`${RDFS}comment`, 'comment'],
  [`${LV2}binary`, 'binary'],
  [`${LV2}documentation`, 'documentation'],
  [`${LV2}microVersion`, 'microVersion'],
  [`${LV2}minorVersion`, 'minorVersion'],
  [`${LV2}name`, 'portName'],
  [`${LV2}port`, 'port'],
  [`${LV2}project`, 'project'],
  [`${DOAP}description`, 'description'],
  [`${DOAP}developer`, 'developer'],
  [`${DOAP}maintainer`, 'maintainer'],
  [`${DOAP}name`, 'name'],
  [`${DOAP}shortdesc`, 'shortDescription'],
  [`${FOAF}name`, 'personName'],
  [`${ATOM}supports`, 'supports'],
  [`${EVENT}supportsEvent`, 'supportsEvent'],
  [`${MODGUI}gui`, 'gui'],
  [`${MODGUI}screenshot`, 'screenshot'],
  ['http://purl.org/dc/terms/replaces', 'replaces'],
  ['http://purl.org/dc/elements/1.1/replaces', 'replacesAsElement'],
] as const);
type Lv2Graph = Graph<CalledIn<typeof asked>>;

/** The plugins of one bundle; an empty list for a bundle that holds only presets, data or a vocabulary. */
export function readLv2(files: BundleFiles): FoundCopy[] {
  const graph = new Graph(asked);
  const base = fileUri(`${files.root}/`);
  const manifest = addFile(graph, files, base, 'manifest.ttl');
  if (!manifest.ok) {
    return [failedCopy('LV2', files.root, manifest.problems[0] as Problem)];
  }
  const uris = [...graph.subjects()].filter((s) =>
    graph.resources(s, 'type').includes(`${LV2}Plugin`),
  );
  if (uris.length > limits.copiesInBundle) {
    const problem: Problem = {
      code: 'too-much',
      at: files.root,
      what: 'plugins',
      got: uris.length,
      limit: limits.copiesInBundle,
    };
    return [failedCopy('LV2', files.root, problem)];
  }
  const troubles = readSeeAlso(graph, files, base, uris);
  const machines = new Map<string, FoundCopy['architectures']>();
  return uris.map((uri) =>
    describePlugin({ graph, files, base, machines }, uri, troubles.get(uri) ?? null),
  );
}

/** Reads the files the plugins point to, each once. Gives the first trouble of each plugin. */
function readSeeAlso(
  graph: Lv2Graph,
  files: BundleFiles,
  base: string,
  uris: readonly string[],
): Map<string, Problem> {
  const troubles = new Map<string, Problem>();
  const read = new Map<string, Problem | null>();
  for (const uri of uris) {
    for (const target of graph.resources(uri, 'seeAlso')) {
      const known = read.get(target);
      const problem =
        known === undefined ? readTarget(graph, files, base, target, read.size) : known;
      read.set(target, problem);
      if (problem && !troubles.has(uri)) {
        troubles.set(uri, problem);
      }
    }
  }
  return troubles;
}

function readTarget(
  graph: Lv2Graph,
  files: BundleFiles,
  base: string,
  target: string,
  already: number,
): Problem | null {
  const relative = relativePath(target, base);
  if (relative === null) {
    return target.startsWith('file:') ? { code: 'outside-place', at: target } : null;
  }
  if (!relative.endsWith('.ttl')) {
    return null;
  }
  if (already >= limits.turtleFiles) {
    return {
      code: 'too-much',
      at: files.root,
      what: 'description files',
      got: already + 1,
      limit: limits.turtleFiles,
    };
  }
  const added = addFile(graph, files, base, relative);
  return added.ok ? null : (added.problems[0] as Problem);
}

/** Adds one Turtle file of a bundle to a graph; gives how many statements. */
export function addFile<K extends string>(
  graph: Graph<K>,
  files: BundleFiles,
  base: string,
  relative: string,
): Result<number> {
  const bytes = files.read(relative, limits.turtleFile);
  if (!bytes.ok) {
    return bytes;
  }
  return graph.addTurtle(bytes.value, base + escapePath(relative), relative);
}

interface Bundle {
  readonly graph: Lv2Graph;
  readonly files: BundleFiles;
  readonly base: string;
  /** Architectures by binary: many plugins share one. */
  readonly machines: Map<string, FoundCopy['architectures']>;
}

function describePlugin(
  { graph, files, base, machines }: Bundle,
  uri: string,
  trouble: Problem | null,
): FoundCopy {
  const ports = graph
    .resources(uri, 'port')
    .map((port) => ({ port, types: graph.resources(port, 'type') }));
  const name = cleanText(graph.text(uri, 'name'));
  const problem =
    trouble ??
    (name === null
      ? ({ code: 'damaged', at: uri, line: null, detail: 'it says no name.' } as const)
      : null);
  const picture = graph
    .resources(uri, 'gui')
    .flatMap((gui) => graph.resources(gui, 'screenshot'))[0];
  return {
    ...bareCopy('LV2', files.root),
    ...machineOf(files, relativePath(graph.resources(uri, 'binary')[0] ?? '', base), machines),
    identity: uri,
    name,
    vendor: authorOf(graph, uri),
    declared: graph.resources(uri, 'type').filter((type) => !type.startsWith('_:')),
    version: versionOf(graph, uri),
    ...soundOf(graph, ports),
    ...controlsOf(graph, ports),
    ...describedBy(descriptionOf(graph, uri)),
    replaces: [...graph.resources(uri, 'replaces'), ...graph.resources(uri, 'replacesAsElement')],
    picture: insideBundle(files, base, picture),
    status: problem ? 'failed' : 'ok',
    problem,
  };
}

function machineOf(
  files: BundleFiles,
  relative: string | null,
  known: Bundle['machines'],
): Pick<FoundCopy, 'binary' | 'architectures'> {
  if (relative === null) {
    return { binary: null, architectures: null };
  }
  if (!known.has(relative)) {
    known.set(relative, machinesIn(files, relative));
  }
  return { binary: `${files.root}/${relative}`, architectures: known.get(relative) ?? null };
}

/**
 * Who is named as maintainer or developer, on the plugin itself or on its project; of several the
 * one liblilv takes.
 */
function authorOf(graph: Lv2Graph, uri: string): string | null {
  for (const subject of [uri, ...graph.resources(uri, 'project')]) {
    for (const role of ['maintainer', 'developer'] as const) {
      for (const person of graph.resourcesInOrder(subject, role)) {
        const name = cleanText(graph.text(person, 'personName'));
        if (name) {
          return name;
        }
      }
    }
  }
  return null;
}

/** `minor.micro`, null when neither is said. */
function versionOf(graph: Lv2Graph, uri: string): string | null {
  const minor = graph.text(uri, 'minorVersion');
  const micro = graph.text(uri, 'microVersion');
  return minor === null && micro === null ? null : cleanText(`${minor ?? 0}.${micro ?? 0}`);
}

type Ports = Pick<FoundCopy, 'audioIn' | 'audioOut' | 'notesIn' | 'notesOut'>;

interface Port {
  readonly port: string;
  readonly types: readonly string[];
}

function soundOf(graph: Lv2Graph, ports: readonly Port[]): Ports {
  let audioIn = 0;
  let audioOut = 0;
  let notesIn = false;
  let notesOut = false;
  for (const { port, types } of ports) {
    const isIn = types.includes(`${LV2}InputPort`);
    const isOut = types.includes(`${LV2}OutputPort`);
    if (types.includes(`${LV2}AudioPort`)) {
      if (isIn) {
        audioIn += 1;
      }
      if (isOut) {
        audioOut += 1;
      }
    } else if (takesNotes(graph, port, types)) {
      notesIn ||= isIn;
      notesOut ||= isOut;
    }
  }
  return { audioIn, audioOut, notesIn, notesOut };
}

const controlLength = 60;

/** The names of its control inputs; absent where it has none. */
function controlsOf(graph: Lv2Graph, ports: readonly Port[]): Pick<FoundCopy, 'controls'> {
  const names = new Set<string>();
  for (const { port, types } of ports) {
    const isSet = types.includes(`${LV2}ControlPort`) && types.includes(`${LV2}InputPort`);
    const name = isSet ? cleanText(graph.text(port, 'portName')) : null;
    if (name !== null && names.size < mostControls) {
      names.add(name.slice(0, controlLength));
    }
  }
  return names.size === 0 ? {} : { controls: [...names] };
}

/** The shortest text that describes the plugin goes first: it says what it is and not how it is used. */
const descriptionOf = (graph: Lv2Graph, uri: string): string | null =>
  (['shortDescription', 'comment', 'description', 'documentation'] as const)
    .map((predicate) => cleanText(graph.text(uri, predicate)))
    .find((text) => text !== null) ?? null;

/** An event port counts only when it says that it supports MIDI. */
function takesNotes(graph: Lv2Graph, port: string, types: readonly string[]): boolean {
  if (types.includes(`${ATOM}AtomPort`)) {
    return graph.resources(port, 'supports').includes(MIDI_EVENT);
  }
  if (types.includes(`${EVENT}EventPort`)) {
    return graph.resources(port, 'supportsEvent').includes(MIDI_EVENT);
  }
  return types.includes('http://ll-plugins.nongnu.org/lv2/ext/MidiPort');
}

const escapePath = (path: string): string =>
  encodeURI(path.toWellFormed()).replaceAll('#', '%23').replaceAll('?', '%3F');

/** `file:` URI of an absolute path (RFC 8089). */
export function fileUri(path: string): string {
  const slashed = path.replaceAll('\\', '/');
  return `file://${slashed.startsWith('/') ? '' : '/'}${escapePath(slashed)}`;
}

/** The path below the bundle that a URI points to; null when it points elsewhere. */
export function relativePath(target: string, base: string): string | null {
  if (!target.startsWith(base)) {
    return null;
  }
  try {
    const path = decodeURIComponent(target.slice(base.length));
    return path === '' || path.split(/[\\/]/).includes('..') ? null : path;
  } catch {
    return null;
  }
}

function insideBundle(files: BundleFiles, base: string, target: string | undefined): string | null {
  const relative = target === undefined ? null : relativePath(target, base);
  return relative === null ? null : `${files.root}/${relative}`;
}
