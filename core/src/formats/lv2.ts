/**
 * LV2 bundles: everything stands in Turtle (https://lv2plug.in/ns/lv2core). `manifest.ttl` names the plugins,
 * each with its `rdfs:seeAlso` files.
 */
import type { Problem, Result } from '../problem.ts';
import { readBinary } from './binary.ts';
import { type BundleFiles, cleanText, limits } from './bundle-files.ts';
import { bareCopy, describedBy, failedCopy, type FoundCopy } from './found-copy.ts';
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
const DC = ['http://purl.org/dc/terms/replaces', 'http://purl.org/dc/elements/1.1/replaces'];
const rdfType = `${RDF}type`;

/** The plugins of one bundle; an empty list for a bundle that holds only presets, data or a vocabulary. */
export function readLv2(files: BundleFiles): FoundCopy[] {
  const graph = new Graph();
  const base = fileUri(`${files.root}/`);
  const manifest = addFile(graph, files, base, 'manifest.ttl');
  if (!manifest.ok) {
    return [failedCopy('LV2', files.root, manifest.problems[0] as Problem)];
  }
  const uris = [...graph.subjects()].filter((s) =>
    graph.resources(s, rdfType).includes(`${LV2}Plugin`),
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
  graph: Graph,
  files: BundleFiles,
  base: string,
  uris: readonly string[],
): Map<string, Problem> {
  const troubles = new Map<string, Problem>();
  const read = new Map<string, Problem | null>();
  for (const uri of uris) {
    for (const target of graph.resources(uri, `${RDFS}seeAlso`)) {
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
  graph: Graph,
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
export function addFile(
  graph: Graph,
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
  readonly graph: Graph;
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
  const ports = portsOf(graph, uri);
  const name = cleanText(graph.text(uri, `${DOAP}name`));
  const problem =
    trouble ??
    (name === null
      ? ({ code: 'damaged', at: uri, line: null, detail: 'it says no name.' } as const)
      : null);
  const picture = graph
    .resources(uri, `${MODGUI}gui`)
    .flatMap((gui) => graph.resources(gui, `${MODGUI}screenshot`))[0];
  return {
    ...bareCopy('LV2', files.root),
    ...machineOf(
      files,
      relativePath(graph.resources(uri, `${LV2}binary`)[0] ?? '', base),
      machines,
    ),
    identity: uri,
    name,
    vendor: authorOf(graph, uri),
    declared: graph.resources(uri, rdfType).filter((type) => !type.startsWith('_:')),
    version: versionOf(graph, uri),
    ...ports,
    ...controlsOf(graph, uri),
    ...describedBy(descriptionOf(graph, uri)),
    replaces: DC.flatMap((predicate) => graph.resources(uri, predicate)),
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
    const source = files.open(relative);
    const binary = source.ok ? readBinary(source.value, relative) : source;
    if (source.ok) {
      source.value.close();
    }
    known.set(relative, binary.ok ? binary.value.architectures : null);
  }
  return { binary: `${files.root}/${relative}`, architectures: known.get(relative) ?? null };
}

/**
 * Who is named as maintainer or developer, on the plugin itself or on its project; of several the
 * one liblilv takes.
 */
function authorOf(graph: Graph, uri: string): string | null {
  for (const subject of [uri, ...graph.resources(uri, `${LV2}project`)]) {
    for (const role of ['maintainer', 'developer']) {
      for (const person of graph.resourcesInOrder(subject, `${DOAP}${role}`)) {
        const name = cleanText(graph.text(person, `${FOAF}name`));
        if (name) {
          return name;
        }
      }
    }
  }
  return null;
}

/** `minor.micro`, null when neither is said. */
function versionOf(graph: Graph, uri: string): string | null {
  const minor = graph.text(uri, `${LV2}minorVersion`);
  const micro = graph.text(uri, `${LV2}microVersion`);
  return minor === null && micro === null ? null : cleanText(`${minor ?? 0}.${micro ?? 0}`);
}

type Ports = Pick<FoundCopy, 'audioIn' | 'audioOut' | 'notesIn' | 'notesOut'>;

function portsOf(graph: Graph, uri: string): Ports {
  let audioIn = 0;
  let audioOut = 0;
  let notesIn = false;
  let notesOut = false;
  for (const port of graph.resources(uri, `${LV2}port`)) {
    const types = graph.resources(port, rdfType);
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

/** More say nothing more about what a plugin is. */
const controlsKept = 40;
const controlLength = 60;

/** The names of its control inputs; absent where it has none. */
function controlsOf(graph: Graph, uri: string): Pick<FoundCopy, 'controls'> {
  const names = new Set<string>();
  for (const port of graph.resources(uri, `${LV2}port`)) {
    const types = graph.resources(port, rdfType);
    const isSet = types.includes(`${LV2}ControlPort`) && types.includes(`${LV2}InputPort`);
    const name = isSet ? cleanText(graph.text(port, `${LV2}name`)) : null;
    if (name !== null && names.size < controlsKept) {
      names.add(name.slice(0, controlLength));
    }
  }
  return names.size === 0 ? {} : { controls: [...names] };
}

/** The shortest text that describes the plugin goes first: it says what it is and not how it is used. */
const descriptionOf = (graph: Graph, uri: string): string | null =>
  [`${DOAP}shortdesc`, `${RDFS}comment`, `${DOAP}description`, `${LV2}documentation`]
    .map((predicate) => cleanText(graph.text(uri, predicate)))
    .find((text) => text !== null) ?? null;

/** An event port counts only when it says that it supports MIDI. */
function takesNotes(graph: Graph, port: string, types: readonly string[]): boolean {
  if (types.includes(`${ATOM}AtomPort`)) {
    return graph.resources(port, `${ATOM}supports`).includes(MIDI_EVENT);
  }
  if (types.includes(`${EVENT}EventPort`)) {
    return graph.resources(port, `${EVENT}supportsEvent`).includes(MIDI_EVENT);
  }
  return types.includes('http://ll-plugins.nongnu.org/lv2/ext/MidiPort');
}

const escapePath = (path: string): string =>
  encodeURI(path.replace(/\p{Surrogate}/gu, '\ufffd'))
    .replaceAll('#', '%23')
    .replaceAll('?', '%3F');

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
