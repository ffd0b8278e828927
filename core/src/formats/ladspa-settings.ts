/**
 * Settings of LADSPA plugins in RDF/XML, as liblrdf reads them (`ladspa:hasSetting`; from memory): those
 * with a title or label. `ladspa:Default` without one only says where the controls begin.
 */
import type { Problem } from '../problem.ts';
import { cleanText, limits, type BundleFiles } from './bundle-files.ts';
import { isDictionary, type Dictionary } from './dictionary.ts';
import { bareSetting, failedSetting, type FoundSetting } from './found-setting.ts';
import { ladspaNodes, rdfText } from './ladspa-rdf.ts';

const listOf = (value: unknown): unknown[] => {
  if (value === undefined) {
    return [];
  }
  return Array.isArray(value) ? value : [value];
};

/** The nodes below `hasSetting`, whatever their class is called. */
const settingsOf = (plugin: Dictionary): Dictionary[] =>
  listOf(plugin['ladspa:hasSetting'])
    .filter(isDictionary)
    .flatMap((holder) =>
      Object.entries(holder).flatMap(([tag, value]) =>
        tag.startsWith('ladspa:') ? listOf(value).filter(isDictionary) : [],
      ),
    );

/** The settings that one RDF file names. */
export function readLadspaSettings(files: BundleFiles): FoundSetting[] {
  const at = files.root;
  const bytes = files.read('', limits.ladspaRdf);
  const nodes = bytes.ok ? ladspaNodes(bytes.value, at) : bytes;
  if (!nodes.ok) {
    return [failedSetting('LADSPA', at, nodes.problems[0] as Problem)];
  }
  return nodes.value.flatMap(({ id, node }) =>
    settingsOf(node).flatMap((setting): FoundSetting[] => {
      const name = cleanText(rdfText(setting['dc:title']) ?? rdfText(setting['rdfs:label']));
      return name === null
        ? []
        : [
            {
              ...bareSetting('LADSPA', at),
              plugin: id,
              name,
              comment: rdfText(setting['dc:description']),
              identity: rdfText(setting['@rdf:about']) ?? rdfText(setting['@rdf:ID']),
              values: listOf(setting['ladspa:hasPortValue']).length,
              pluginName: rdfText(node['dc:title']),
              vendor: rdfText(node['dc:creator']),
            },
          ];
    }),
  );
}
