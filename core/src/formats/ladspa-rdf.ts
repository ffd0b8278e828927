/**
 * Descriptions of LADSPA plugins in RDF/XML (`/usr/share/ladspa/rdf`): a class, a title and a maker
 * for each unique id, or for each label of the program that is called as the file is.
 */
import { XMLParser } from 'fast-xml-parser';
import { failed, ok, type Result } from '../problem.ts';
import { cleanText, textOf } from './bundle-files.ts';
import { isDictionary, type Dictionary } from './dictionary.ts';
import { stemOfPath, type FoundCopy } from './found-copy.ts';

/** What a set of LADSPA plugins says of one of them in RDF. */
export interface LadspaDescription {
  readonly id: string;
  readonly title: string | null;
  readonly creator: string | null;
  /** The class URI, as it is declared. */
  readonly declared: string;
}

/** By unique id, or by program and label as `labelKey` joins them. */
export type LadspaDescriptions = ReadonlyMap<string, LadspaDescription>;
/** For places without descriptions. */
export const noDescriptions: LadspaDescriptions = new Map();

const ontology = 'http://ladspa.org/ontology#';
const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  parseTagValue: false,
  processEntities: {
    enabled: true,
    maxTotalExpansions: 200_000,
    maxExpandedLength: 4_000_000,
    maxEntityCount: 100,
  },
  isArray: (_, path) => typeof path === 'string' && path.split('.').length === 2,
});

/** A text, or the text of a node. */
export const rdfText = (value: unknown): string | null => {
  if (typeof value === 'string') {
    return cleanText(value);
  }
  if (isDictionary(value) && typeof value['#text'] === 'string') {
    return cleanText(value['#text']);
  }
  return null;
};

/** What a description is found by that names a plugin by its label: labels alone are not unique. */
const labelKey = (path: string, label: string): string => `${stemOfPath(path)}:${label}`;

/** A plugin in RDF: its unique id (or program and label), its class, and all that stands below it. */
export interface LadspaNode {
  readonly id: string;
  /** The class URI. */
  readonly declared: string;
  readonly node: Dictionary;
}

/** The plugins of one file. */
export function ladspaNodes(bytes: Uint8Array, at: string): Result<LadspaNode[]> {
  try {
    const root = (parser.parse(decode(bytes)) as Dictionary)['rdf:RDF'];
    if (!isDictionary(root)) {
      return failed({ code: 'damaged', at, line: null, detail: 'it holds no RDF.' });
    }
    const found: LadspaNode[] = [];
    for (const [tag, nodes] of Object.entries(root)) {
      const name = /^ladspa:(\w+Plugin|Plugin)$/.exec(tag)?.[1];
      if (name === undefined || !Array.isArray(nodes)) {
        continue;
      }
      for (const node of nodes.filter(isDictionary)) {
        const id = idOf(rdfText(node['@rdf:about']) ?? rdfText(node['@rdf:ID']) ?? '', at);
        if (id !== null) {
          found.push({ id, declared: ontology + name, node });
        }
      }
    }
    return ok(found);
  } catch (error) {
    return failed({
      code: 'damaged',
      at,
      line: null,
      detail: `it is not valid RDF/XML (${(error instanceof Error ? error.message : '').slice(0, 100)}).`,
    });
  }
}

/** A number of the ontology; of any other address the part behind the `#`, as a label. */
function idOf(address: string, at: string): string | null {
  const number = /^(?:http:\/\/ladspa\.org\/ontology)?#?(\d+)$/.exec(address)?.[1];
  const label = /#([\w.+-]+)$/.exec(address)?.[1];
  return number ?? (label === undefined ? null : labelKey(at.replace(/\.rdf$/, ''), label));
}

/** The description of a plugin that opening found in a LADSPA file. */
export const describedLadspa = (
  descriptions: LadspaDescriptions,
  path: string,
  { uniqueId, identity }: { uniqueId?: number | null; identity?: string | null },
): LadspaDescription | undefined =>
  descriptions.get(String(uniqueId ?? '')) ?? descriptions.get(labelKey(path, identity ?? ''));

/** The descriptions of one file. */
export function readLadspaRdf(bytes: Uint8Array, at: string): Result<LadspaDescription[]> {
  const nodes = ladspaNodes(bytes, at);
  return nodes.ok
    ? ok(
        nodes.value.map(({ id, declared, node }) => ({
          id,
          title: rdfText(node['dc:title']),
          creator: rdfText(node['dc:creator']),
          declared,
        })),
      )
    : nodes;
}

/** These files are in UTF-8 or, as they say themselves, in ISO 8859-1. */
function decode(bytes: Uint8Array): string {
  const head = textOf(bytes.subarray(0, 200));
  return /encoding=['"]ISO-8859-1['"]/i.test(head)
    ? new TextDecoder('iso-8859-1').decode(bytes)
    : textOf(bytes);
}

/**
 * A LADSPA file with what is described of it. Which plugins are in a file only opening tells; by
 * reading, a description is taken only when the file is named after its unique id
 * (`alias_1407.so`), as the sets that ship descriptions do (common practice, no published source).
 */
export function describeLadspa(copy: FoundCopy, descriptions: LadspaDescriptions): FoundCopy[] {
  const id = /_(\d+)$/.exec(stemOfPath(copy.path))?.[1];
  const found = id === undefined ? undefined : descriptions.get(id);
  return [
    found
      ? { ...copy, name: found.title, vendor: found.creator, declared: [found.declared] }
      : copy,
  ];
}
