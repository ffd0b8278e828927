/** LV2 bundles as Turtle, in several of the layouts that real bundles have. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { lv2ClassesOf, portsOf } from './declare.ts';
import type { DemoSystem } from './computers.ts';
import { drawPicture } from './picture.ts';
import { settingBank, settingNames } from './write-settings.ts';
import type { DemoPlugin } from './plugins.ts';
import { programOf } from './write-programs.ts';

const prefixes = `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .
@prefix atom: <http://lv2plug.in/ns/ext/atom#> .
@prefix midi: <http://lv2plug.in/ns/ext/midi#> .
@prefix modgui: <http://moddevices.com/ns/modgui#> .
@prefix doap: <http://usefulinc.com/ns/doap#> .
@prefix foaf: <http://xmlns.com/foaf/0.1/> .
@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .
@prefix pset: <http://lv2plug.in/ns/ext/presets#> .
`;

export const slug = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
const quoted = (text: string): string => `"${text.replace(/[\\"]/g, '\\$&')}"`;

const endings = { linux: '.so', windows: '.dll', macos: '.dylib' } as const;

/** Writes one bundle below the directory and gives its path. */
export function writeLv2(directory: string, system: DemoSystem, plugin: DemoPlugin): string {
  const name = slug(plugin.name);
  const bundle = join(directory, `${name}.lv2`);
  mkdirSync(bundle, { recursive: true });
  const uri = `https://${slug(plugin.vendor.name)}.invalid/${name}`;
  const manifest = `${prefixes}\n<${uri}>\n\ta lv2:Plugin ;\n\tlv2:binary <${name}${endings[system]}> ;\n\trdfs:seeAlso <${name}.ttl>${plugin.hasPicture ? ' , <modgui.ttl>' : ''} .\n`;
  writeFileSync(join(bundle, `${name}${endings[system]}`), programOf(plugin, system, 'LV2'));
  const presets = plugin.damage === null && plugin.number % 5 === 0 ? presetsOf(uri, plugin) : null;
  writeFileSync(
    join(bundle, 'manifest.ttl'),
    plugin.damage === 'turtle'
      ? manifest.replace('rdfs:seeAlso', 'rdfs:seeAlso <<')
      : manifest + (presets?.manifest ?? ''),
  );
  if (presets) {
    writeFileSync(join(bundle, 'presets.ttl'), `${prefixes}${presets.text}`);
  }
  if (plugin.damage !== 'missing-file') {
    writeFileSync(join(bundle, `${name}.ttl`), description(uri, plugin));
  }
  if (plugin.hasPicture) {
    writeFileSync(
      join(bundle, 'modgui.ttl'),
      `${prefixes}\n<${uri}> modgui:gui [ modgui:screenshot <screenshot.png> ] .\n`,
    );
    writeFileSync(join(bundle, 'screenshot.png'), drawPicture(plugin.number));
  }
  return bundle;
}

/** A few settings of the studio's own, some in a bank. */
function presetsOf(uri: string, { number }: DemoPlugin): { manifest: string; text: string } {
  const names = settingNames.filter((_, at) => (number + at) % 3 !== 0);
  const bank = `<${uri}#theatre>`;
  const preset = (at: number): string => `<${uri}#setting-${at}>`;
  return {
    manifest: names
      .map(
        (_, at) =>
          `${preset(at)} a pset:Preset ; lv2:appliesTo <${uri}> ; rdfs:seeAlso <presets.ttl> .\n`,
      )
      .join(''),
    text: [
      `${bank} a pset:Bank ; rdfs:label "${settingBank}" .`,
      ...names.map(
        (name, at) =>
          `${preset(at)} rdfs:label ${quoted(name)} ${at % 2 === 0 ? `; pset:bank ${bank} ` : ''}.`,
      ),
    ].join('\n'),
  };
}

function description(uri: string, plugin: DemoPlugin): string {
  const classes = ['lv2:Plugin', ...lv2ClassesOf(plugin).map((c) => `lv2:${c}`)].join(' , ');
  const person =
    plugin.spelling.LV2 === null
      ? ''
      : `\tdoap:maintainer [ foaf:name ${quoted(plugin.spelling.LV2)} ; foaf:mbox <mailto:${plugin.vendor.mail}> ] ;\n`;
  const isOnProject = plugin.number % 4 === 0 && person !== '';
  const project = isOnProject ? `\tlv2:project <${uri}#project> ;\n` : person;
  const lines = [
    `${prefixes}\n<${uri}>\n\ta ${classes} ;\n`,
    plugin.damage === 'no-name'
      ? ''
      : `\tdoap:name ${quoted(plugin.name)}${plugin.number % 11 === 0 ? ` , ${quoted(`${plugin.name} (deutsch)`)}@de` : ''} ;\n`,
    project,
    plugin.number % 9 === 0
      ? ''
      : `\tlv2:minorVersion ${plugin.version[0]} ;\n\tlv2:microVersion ${plugin.version[1]} ;\n`,
    `\tlv2:port ${ports(plugin).join(' , ')} .\n`,
    isOnProject ? `\n<${uri}#project>\n\ta doap:Project ;\n${person.replace(/ ;\n$/, ' .\n')}` : '',
  ];
  return lines.join('');
}

function ports(plugin: DemoPlugin): string[] {
  const { audioIn, audioOut, notesIn, notesOut } = portsOf(plugin);
  const written: string[] = [];
  const port = (types: string, symbol: string, more = ''): void => {
    written.push(
      `[ a ${types} ; lv2:index ${written.length} ; lv2:symbol "${symbol}" ; lv2:name "${symbol}"${more} ]`,
    );
  };
  for (let i = 0; i < audioIn; i += 1) {
    port('lv2:InputPort , lv2:AudioPort', `in_${i + 1}`);
  }
  for (let i = 0; i < audioOut; i += 1) {
    port('lv2:OutputPort , lv2:AudioPort', `out_${i + 1}`);
  }
  if (notesIn) {
    port(
      'lv2:InputPort , atom:AtomPort',
      'notes_in',
      ' ; atom:bufferType atom:Sequence ; atom:supports midi:MidiEvent',
    );
  }
  if (notesOut) {
    port(
      'lv2:OutputPort , atom:AtomPort',
      'notes_out',
      ' ; atom:bufferType atom:Sequence ; atom:supports midi:MidiEvent',
    );
  }
  port(
    'lv2:InputPort , lv2:ControlPort',
    'amount',
    ' ; lv2:default 0.5 ; lv2:minimum 0.0 ; lv2:maximum 1.0',
  );
  return written;
}
