/**
 * Ready rules to start from: what many ask for, with the trade's words (common practice, no
 * published source).
 */
import { parseRule } from '../language/text.ts';
import type { Rule } from '../language/rule.ts';

/** A rule to begin with, under a name. */
export interface ReadyRule {
  readonly name: string;
  readonly what: string;
  readonly text: string;
  readonly sortedBy?: 'lately' | 'newest' | 'use';
  readonly atMost?: number;
}

/** Rules to begin with. */
export const readyRules: readonly ReadyRule[] = [
  {
    name: 'Lately loaded',
    what: 'the 20 loaded last',
    text: 'last loaded within the last 1 year',
    sortedBy: 'lately',
    atMost: 20,
  },
  {
    name: 'Arrivals',
    what: 'what came within a month',
    text: 'arrived within the last 30 days',
    sortedBy: 'newest',
  },
  {
    name: 'Never loaded',
    what: 'here for a month, and never used',
    text: 'last loaded never\nstate is present\n\nnever\narrived within the last 30 days',
  },
  { name: '32 bit only', what: 'what a 64-bit host does not take', text: 'bits is only 32' },
  { name: 'Trials ending', what: 'within two weeks', text: 'trial ends within the next 14 days' },
  {
    name: 'Echoes',
    what: "delays, by type and by the trade's words",
    text: 'type is delay\n\nkind is effect\nname has delay, echo, slap, multitap, ping pong\n\nnever\nname has de echo, delay compensation',
  },
  {
    name: 'Rooms',
    what: "reverbs, by type and by the trade's words",
    text: 'type is reverb\n\nkind is effect\nname has reverb, verb, room, hall, plate, chamber, spring, ambience\n\nnever\ntype is restoration',
  },
  {
    name: 'Dynamics',
    what: 'compressors, gates, limiters and their like',
    text: 'type is dynamics\n\nkind is effect\nname has comp, compressor, limiter, gate, expander, de esser, leveller\n\nnever\ntype is reverb',
  },
  {
    name: 'Saturation',
    what: 'drive, tape, tube and fuzz',
    text: 'type is distortion\n\nkind is effect\nname has drive, saturat, overdrive, fuzz, tube, tape, clip, distort\n\nnever\ntype is delay',
  },
];

/** A rule for one vendor. */
export const vendorRule = (vendor: string): Rule => ({
  cards: [{ lines: [{ field: 'vendor', relation: 'is', values: [vendor] }] }],
  never: [],
});

/** The rule of a ready one. */
export function readyRule(ready: ReadyRule): Rule {
  const parsed = parseRule(ready.text);
  return parsed.ok ? parsed.value : { cards: [], never: [] };
}
