/** From an act to the change it makes, in words too. Nothing is written here. */
import type { PluginId } from '../id.ts';
import { applyChange, squash } from '../change.ts';
import type { Result } from '../problem.ts';
import type { Order } from '../order/records.ts';
import type { Act, ActName, ActOf } from './act.ts';
import { done, type NameOfPlugin, type ActResult } from './act-result.ts';
import { asSaid, type ActRule, type ActRules } from './act-rule.ts';
import { annotationActs } from './annotations.ts';
import { cabinetActs } from './cabinets.ts';
import { chainActs, newSettings } from './chains.ts';
import { copyAssignmentActs } from './copy-assignments.ts';
import { folderActs } from './folders.ts';
import { nameActs } from './names.ts';
import { placementActs } from './placements.ts';
import { preferenceActs } from './preferences.ts';
import { setAsideActs } from './set-aside.ts';
import { shownFolderActs } from './shown-folders.ts';
import { smartFolderActs } from './smart-folders.ts';
import { spellingActs } from './spellings.ts';

/** Settings are kept and the act that names them is done; undo takes back both. */
const keepSettings: ActRule<'keep-settings'> = {
  plugins: ({ settings, then }, order) => {
    const kept = new Set<string>(settings.map(({ id }) => id));
    return [
      ...settings.map(({ plugin }) => plugin),
      ...(then ? pluginsOfAct(order, then).filter((id) => !kept.has(id)) : []),
    ];
  },
  resolve: asSaid,
  perform: (order, { settings, then }, nameOf) => {
    const fresh = newSettings(order, settings, nameOf);
    if (!fresh.ok) {
      return fresh;
    }
    const change = { added: fresh.value, updated: [], removed: [] };
    if (!then) {
      const [first] = settings;
      const words =
        settings.length === 1 ? `the setting ${first?.name ?? ''}` : `${settings.length} settings`;
      return done(`Keep ${words}`, change);
    }
    const names = new Map<string, string>(settings.map(({ id, name }) => [id, name]));
    const after = perform(applyChange(order, change), then, (id) => names.get(id) ?? nameOf(id));
    return after.ok ? done(after.value.words, squash(change, after.value.change)) : after;
  },
};

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
  ...setAsideActs,
  ...shownFolderActs,
  ...smartFolderActs,
  ...spellingActs,
  'keep-settings': keepSettings,
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
