/**
 * Checked against the LV2 project's own vocabulary (Debian lv2-dev) and the published VST 3 header
 * (juce-modules-source-data).
 */
import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { Graph } from '../formats/turtle.ts';
import {
  audioUnitTypes,
  clapFeatures,
  ladspaClasses,
  vst2Categories,
  lv2Classes,
  readDeclared,
  vst3SubCategories,
} from './declared.ts';
import { isType } from './tree.ts';

const lv2core = '/usr/lib/lv2/core.lv2/lv2core.ttl';
const header =
  '/usr/share/juce/modules/juce_audio_processors/format_types/VST3_SDK/pluginterfaces/vst/ivstaudioprocessor.h';
const LV2 = 'http://lv2plug.in/ns/lv2core#';

describe('the rows for declared values', () => {
  it('name every plugin class of lv2core.ttl and no other', () => {
    const asked = new Map([
      ['http://www.w3.org/2000/01/rdf-schema#subClassOf', 'subClassOf'],
    ] as const);
    const graph = new Graph(asked);
    expect(graph.addTurtle(readFileSync(lv2core), 'file:///lv2core.ttl', 'lv2core.ttl').ok).toBe(
      true,
    );
    const below = (c: string): boolean =>
      c === `${LV2}Plugin` || graph.resources(c, 'subClassOf').some((up) => up !== c && below(up));
    const classes = [...graph.subjects()]
      .filter((s) => s.startsWith(LV2) && below(s))
      .map((s) => s.slice(LV2.length));
    expect(classes.length).toBeGreaterThan(30);
    expect(classes.sort()).toEqual(Object.keys(lv2Classes).sort());
  });
  it('name every sub-category of the VST 3 header and no other', () => {
    const values = [
      ...readFileSync(header, 'utf8').matchAll(/^const CString k\w+\s*= "([^"]+)";/gm),
    ].flatMap((m) => (m[1] ?? '').split('|'));
    const categories = [...new Set(values)].filter(
      (v) => v in vst3SubCategories || !v.includes(' Class'),
    );
    expect(categories.length).toBeGreaterThan(25);
    expect(categories.sort()).toEqual(Object.keys(vst3SubCategories).sort());
  });
  it('name every class that the descriptions of swh-plugins use', () => {
    const used = [
      ...readFileSync('/usr/share/ladspa/rdf/swh-plugins.rdf', 'latin1').matchAll(
        /<ladspa:(\w*Plugin) /g,
      ),
    ].map((m) => m[1] ?? '');
    expect(used.length).toBeGreaterThan(100);
    expect(used.filter((name) => !(name in ladspaClasses))).toEqual([]);
  });
  it('lead to types of the tree', () => {
    const types = [
      lv2Classes,
      vst3SubCategories,
      audioUnitTypes,
      clapFeatures,
      ladspaClasses,
      vst2Categories,
    ]
      .flatMap((rows) => Object.values(rows))
      .flatMap((row) => row.types);
    expect(types.length).toBeGreaterThan(30);
    expect(types.filter((t) => !isType(t))).toEqual([]);
  });
});

describe('reading what a copy declares', () => {
  it('keeps the narrower of two types', () => {
    expect(
      readDeclared('LV2', [`${LV2}Plugin`, `${LV2}DynamicsPlugin`, `${LV2}CompressorPlugin`]),
    ).toEqual({ kind: 'effect', types: ['dynamics/compressor'] });
  });
  it('keeps several types of a channel strip', () => {
    expect(readDeclared('VST3', ['Fx|EQ', 'Fx|Dynamics']).types).toEqual(['eq', 'dynamics']);
  });
  it('does not guess from a value that says nothing', () => {
    expect(readDeclared('LV2', [`${LV2}Plugin`])).toEqual({ kind: 'unknown', types: [] });
    expect(readDeclared('VST3', ['Fx'])).toEqual({ kind: 'effect', types: [] });
  });
  it('takes an effect that may also be an instrument as an effect', () =>
    expect(readDeclared('VST3', ['Fx', 'Instrument']).kind).toBe('effect'));
  it('narrows where only a simulator is declared', () =>
    expect(readDeclared('LADSPA', ['http://ladspa.org/ontology#SimulatorPlugin'])).toEqual({
      kind: 'effect',
      types: [],
      among: ['distortion/amp', 'distortion/cabinet', 'reverb/room', 'modulation/rotary'],
    }));
  it('knows tools and instruments', () => {
    expect(readDeclared('VST3', ['Fx', 'Analyzer']).kind).toBe('tool');
    expect(readDeclared('VST3', ['Instrument', 'Synth'])).toEqual({
      kind: 'instrument',
      types: ['synth'],
    });
  });
});
