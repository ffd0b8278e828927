/**
 * Where a plugin may be filed besides its own group, for want of a class of its own: no standard has
 * one for a vocoder, and so its maker declares a filter, which it is made of.
 */
import { groupOf } from './tree.ts';

/** By type or group, other groups that are no contradiction (common practice, no published source). */
export const filedNear: Readonly<Record<string, readonly string[]>> = {
  'dynamics/de-esser': ['eq', 'filter'],
  'dynamics/transient-shaper': ['utility'],
  eq: ['filter'],
  'eq/dynamic-eq': ['dynamics', 'filter'],
  filter: ['eq'],
  'filter/wah': ['modulation', 'eq'],
  'distortion/exciter': ['texture', 'eq', 'dynamics', 'spatial'],
  'distortion/amp': ['utility'],
  'distortion/cabinet': ['filter', 'reverb'],
  'reverb/convolution': ['texture', 'filter'],
  'modulation/auto-pan': ['spatial'],
  'pitch/vocoder': ['filter', 'distortion', 'modulation', 'texture'],
  'spatial/panner': ['modulation'],
  'spatial/headphone': ['filter'],
  'restoration/de-noise': ['dynamics', 'filter', 'texture'],
  'texture/granular': ['delay', 'pitch'],
  'delay/looper': ['sampler'],
  'meter/tuner': ['pitch'],
};

/** Whether what is of the type may be declared as one of the groups without a mistake. */
export const isFiledNear = (type: string, groups: ReadonlySet<string>): boolean =>
  (filedNear[type] ?? filedNear[groupOf(type)] ?? []).some((group) => groups.has(group));

/**
 * Whether a plugin that declares these types says that it is a tool and no more: standards leave open
 * with that what it does, and an oscilloscope's name may tell.
 */
export const leavesOpen = (types: readonly string[]): boolean =>
  types.length > 0 && types.every((type) => type === 'utility');
