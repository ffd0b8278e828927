/** Points that Kestrel Quay has marked, and what it has changed since the latest of them. */
import { randomUUID } from 'node:crypto';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId, type FolderId } from '@clever-drawer/core/id';
import { orderOf } from '@clever-drawer/core/order';
import type { Api } from './api.ts';
import type { Travel } from './travel.ts';

/** How many days ago. */
const ago = { arranged: 58, rig: 20, tour: 3, lately: 1 } as const;

/** What is made for the points is gone again at the end: the order is as it was. */
export async function markPoints(
  api: Api,
  used: readonly Plugin[],
  setBack: Travel['setBack'],
): Promise<void> {
  setBack(ago.arranged);
  await api.markPoint('As first arranged');
  const cabinet = [...orderOf((await api.order()).records).values()].find(
    ({ table }) => table === 'cabinet',
  );
  if (cabinet?.table !== 'cabinet') {
    throw new Error('no cabinet');
  }
  setBack(ago.rig);
  const rig = asId<FolderId>(randomUUID());
  await api.act({
    act: 'add-folder',
    id: rig,
    cabinet: cabinet.id,
    parent: null,
    form: 'folder',
    name: 'Old rig',
    rule: null,
    before: null,
    plugins: used.slice(20, 44).map(({ id }) => ({ placement: asId(randomUUID()), plugin: id })),
  });
  const named = used[30];
  if (named) {
    await api.act({ act: 'name', plugin: named.id, nickname: 'Gull', slotLabel: null });
  }
  setBack(ago.tour);
  await api.markPoint('Before the tour');
  setBack(ago.lately);
  if (named) {
    await api.act({ act: 'name', plugin: named.id, nickname: null, slotLabel: null });
  }
  await api.act({ act: 'remove-folder', folder: rig });
}
