/** From an act to the change it makes, in words too. Nothing is written here. */
import type { PluginId } from '../id.ts';
import type { Result } from '../problem.ts';
import type { Order } from '../order/records.ts';
import type { Act, ActName, ActOf } from './act.ts';
import type { NameOfPlugin, ActResult } from './act-result.ts';
import type { ActRule, ActRules } from './act-rule.ts';
import { annotationActs } from './annotations.ts';
import { cabinetActs } from './cabinets.ts';
import { chainActs } from './chains.ts';
import { copyAssignmentActs } from './copy-assignments.ts';
import { folderActs } from './folders.ts';
import { nameActs } from './names.ts';
import { placementActs } from './placements.ts';
import { preferenceActs } from './preferences.ts';
import { shownFolderActs } from './shown-folders.ts';
import { smartFolderActs } from './smart-folders.ts';
import { spellingActs } from './spellings.ts';

/** Every act with how it is done. */
export const acts: ActRules = {
  ...annotationActs,
  ...cabinetActs,
  ...chainActs,
  ...copyAssignmentActs,
  ...folderActs,
  ...nameActs,
  ...placementActs,
  ...preferenceActs,
  ...shownFolderActs,
  ...smartFolderActs,
  ...spellingActs,
};

function ruleOf<N extends ActName>(act: ActOf<N>): ActRule<N> {
  return acts[act.act];
}

/** The plugins whose names or existence an act has to know. */
export function pluginsOfAct(order: Order, act: Act): readonly PluginId[] {
  return ruleOf<ActName>(act).plugins(act, order);
}

/** Works out the change of one act on one state of the order. */
export function perform(order: Order, act: Act, nameOf: NameOfPlugin): Result<ActResult> {
  const rule = ruleOf<ActName>(act);
  return rule.perform(order, rule.resolve(act, order), nameOf);
}
