/** Acts on the order, undo and redo: each one transaction that also stores the change with its reverse. */
import type { EntityManager } from 'typeorm';
import {
  isSameChange,
  perform,
  pluginsOfAct,
  stepOf,
  type Act,
  type SettingFields,
  type Owner,
  type Direction,
} from '@clever-drawer/core/acts';
import type { ChangeView, OrderStep, OrderView } from '@clever-drawer/core/api';
import { reverse } from '@clever-drawer/core/change';
import { settingIn, type Order } from '@clever-drawer/core/order';
import { failed, ok, type Problem, type Result } from '@clever-drawer/core/problem';
import { existingCopies } from '../../database/asides.ts';
import {
  existingPlugins,
  isPluginId,
  pluginsOfCopies,
  wherePluginsAre,
  type PluginNow,
} from '../../database/catalog.ts';
import {
  changeToStep,
  listChanges,
  markChange,
  rewriteChange,
  undoWords,
} from '../../database/changes.ts';
import { findComputer } from '../../database/computers.ts';
import { findOwnPicture } from '../../database/pictures.ts';
import { settingsOfPlugins } from '../../database/settings.ts';
import type { Parts } from '../../parts.ts';
import { fitToday, step } from './step.ts';

/** The whole order of a computer. */
export function viewOrder(parts: Parts, computer: string): Promise<OrderView> {
  return parts.database.transaction('REPEATABLE READ', async (manager) => {
    const { revision } = (await findComputer(manager, computer)) ?? { revision: 0 };
    return {
      revision,
      records: [...(await parts.studios.orderAt(manager, computer, revision)).values()],
      ...(await undoWords(manager, computer)),
    };
  });
}

/** Does one act and tells every window. */
export function performAct(parts: Parts, computer: string, asked: Act): Promise<Result<OrderStep>> {
  return step(parts, computer, async (manager, order) => {
    const trouble = await troubleWith(manager, computer, order, asked);
    if (trouble) {
      return failed(trouble);
    }
    const where = await wherePluginsAre(manager, computer, pluginsOfAct(order, asked));
    const names = new Map([...where.values()].map(({ now, name }) => [now, name]));
    return perform(order, aboutWhatIsThere(asked, where), (id) => names.get(id));
  });
}

/** The act with plugins that went into others since the window saw them replaced by those. */
function aboutWhatIsThere(act: Act, where: ReadonlyMap<string, PluginNow>): Act {
  const went = [...where].flatMap(([id, { now }]) => (id === now ? [] : [[id, now] as const]));
  if (went.length === 0) {
    return act;
  }
  // Ids are unique among everything, so they can be told in any field of any act.
  const text = went.reduce((said, [id, now]) => said.replaceAll(id, now), JSON.stringify(act));
  return JSON.parse(text) as Act;
}

/** The plugins of which an act names copies. */
function ownersIn(act: Act): readonly Owner[] {
  switch (act.act) {
    case 'join':
      return [act.into, ...act.from];
    case 'keep-apart':
      return act.plugins;
    case 'part':
      return [act.from];
    default:
      return [];
  }
}

/**
 * Why an act cannot be: copies that are no longer what its window saw, a picture or a new id that
 * is not this computer's.
 */
async function troubleWith(
  manager: EntityManager,
  computer: string,
  order: Order,
  act: Act,
): Promise<Problem | null> {
  const owners = ownersIn(act);
  const pluginOf = await pluginsOfCopies(
    manager,
    computer,
    owners.flatMap((owner) => owner.copies),
  );
  if (owners.some(({ plugin, copies }) => copies.some((copy) => pluginOf.get(copy) !== plugin))) {
    return { code: 'unknown-record', at: 'copies', what: 'copy of this plugin' };
  }
  if (act.act === 'add-chain' && (await isPluginId(manager, act.id))) {
    return { code: 'id-taken', at: 'id' };
  }
  if (act.act === 'keep-settings') {
    const fresh = act.settings.filter(({ id }) => !settingIn(order, id));
    const trouble = await troubleWithSettings(manager, computer, fresh);
    return trouble ?? (act.then && troubleWith(manager, computer, order, act.then));
  }
  if (act.act === 'part' && (await isPluginId(manager, act.plugin))) {
    return { code: 'id-taken', at: 'plugin' };
  }
  if (act.act === 'set-aside') {
    const copies = await existingCopies(manager, computer, act.copies);
    return act.copies.every((id) => copies.has(id))
      ? null
      : { code: 'unknown-record', at: 'copies', what: 'copy' };
  }
  if (act.act === 'prefer' && act.computer !== computer) {
    return { code: 'unknown-record', at: 'computer', what: 'computer' };
  }
  const pictures =
    act.act === 'answer' ? new Set(act.say.flatMap(({ set }) => set.picture ?? [])) : [];
  for (const picture of pictures) {
    if (!(await findOwnPicture(manager, computer, picture))) {
      return { code: 'unknown-record', at: 'picture', what: 'picture' };
    }
  }
  return null;
}

/**
 * A setting that is not kept yet has to be what a scan found, or, as one of the user's own, what a
 * host gave, under a new id.
 */
async function troubleWithSettings(
  manager: EntityManager,
  computer: string,
  settings: readonly SettingFields[],
): Promise<Problem | null> {
  const ids = settings.map(({ id }) => id as string);
  const found = new Set<string>((await settingsOfPlugins(manager, computer)).map(({ id }) => id));
  const taken = await existingPlugins(manager, ids);
  const isSound = ({ id, state }: SettingFields): boolean =>
    found.has(id) || (state !== null && !taken.has(id));
  return settings.every(isSound)
    ? null
    : { code: 'unknown-record', at: 'settings', what: 'setting' };
}

/** Undoes the latest change, or redoes the one undone last. */
export function undoOrRedo(
  parts: Parts,
  computer: string,
  direction: Direction,
): Promise<Result<OrderStep>> {
  return step(parts, computer, async (manager, order) => {
    const row = await changeToStep(manager, computer, direction);
    if (!row) {
      return failed({
        code: direction === 'undo' ? 'nothing-to-undo' : 'nothing-to-redo',
        at: direction,
      });
    }
    await markChange(manager, row, direction === 'undo' ? 'undone' : 'done');
    const wanted = stepOf(row, direction);
    const change = await fitToday(manager, computer, order, wanted);
    if (!isSameChange(change, wanted)) {
      await rewriteChange(manager, row, direction === 'undo' ? reverse(change) : change);
    }
    return ok({
      change,
      words: `${direction === 'undo' ? 'Undone' : 'Redone'}: ${row.words}`,
      isAlongLog: true,
    });
  });
}

/** Changes shown in the list of the latest. */
const changesShown = 200;

/** The latest changes, newest first. */
export async function viewChanges(parts: Parts, computer: string): Promise<ChangeView[]> {
  return (await listChanges(parts.database.manager, computer, changesShown)).map(
    ({ at, ...row }) => ({ ...row, at: at.toISOString() }),
  );
}
