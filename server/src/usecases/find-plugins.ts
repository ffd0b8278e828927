/** Finding for hosts and programs elsewhere on this computer: the same ranking as the Load screen has, over all that can be loaded. */
import { allAnswers, allFolders, allNamings, acceptsAll, asId, chosenByLetters, entryOf, Finder, habitsOf, noUse, ok, placementsIn, preferred, copyInFront, whyNot, withAnswer, type CopyId, type Format, type PluginId, type Result, type SlotSort } from '@clever-drawer/core';
import { readCatalog } from '../database/catalog.ts';
import { readOrder } from '../database/order.ts';
import { readHabits, readSession, readUsage } from '../database/session.ts';
import type { Parts, ReadyToFind } from '../parts.ts';

export interface FoundPlugin { readonly plugin: PluginId; readonly name: string; readonly vendor: string | null; readonly because: string; readonly copy: CopyId | null; readonly format: Format | null; readonly path: string | null }

const slotSorts: readonly SlotSort[] = ['effect', 'instrument', 'note-effect'];

async function prepare(parts: Parts, computer: string): Promise<ReadyToFind> {
  const { manager } = parts.database, now = parts.clock();
  const [catalog, order, usage, learnt, session] = await Promise.all([readCatalog(manager, computer), readOrder(manager, computer), readUsage(manager, computer, now), readHabits(manager, computer, now), readSession(manager, computer)]);
  const answers = new Map(allAnswers(order).map((answer) => [answer.id as string, answer])), namings = new Map(allNamings(order).map((naming) => [naming.id as string, naming])), plugins = catalog.map((plugin) => withAnswer(plugin, answers.get(plugin.id)));
  const favourites = new Set<string>(allFolders(order).filter((folder) => folder.form === 'favourites').flatMap((folder) => placementsIn(order, folder.id).map((placement) => placement.plugin)));
  const accepts = session?.settings ?? acceptsAll, today = now.toISOString().slice(0, 10);
  return {
    finder: new Finder(plugins.map((plugin) => entryOf(plugin, { nickname: namings.get(plugin.id)?.nickname ?? null, slotLabel: namings.get(plugin.id)?.slotLabel ?? null, tags: answers.get(plugin.id)?.tags ?? [] }))),
    habits: habitsOf({ ...noUse, warmth: new Map(usage.map((one) => [one.plugin, one.warmth])), chosen: chosenByLetters(learnt.letters), favourites }),
    can: new Map(plugins.map((plugin) => [plugin.id as string, new Set(slotSorts.filter((slot) => whyNot(plugin, slot, answers.get(plugin.id), accepts, today) === null))])),
  };
}

/** At most `limit`, best first; with a slot, only what can be loaded into such a one. */
export async function findPlugins(parts: Parts, computer: string, query: string, slot: SlotSort | null, limit: number): Promise<Result<FoundPlugin[]>> {
  const { finder, habits, can } = await parts.finding.of(computer, () => prepare(parts, computer)), { hits } = finder.find(query, habits, limit, ({ id }) => { const slots = can.get(id); return slots !== undefined && (slot === null ? slots.size > 0 : slots.has(slot)); });
  return ok(hits.map(({ plugin, because }) => { const copy = copyInFront(plugin, preferred); return { plugin: plugin.id, name: plugin.name, vendor: plugin.vendor, because, copy: copy ? asId<CopyId>(copy.id) : null, format: copy?.format ?? null, path: copy?.path ?? null }; }));
}
