/** What the orders of a folder are called. */
import type { FolderSorting } from '@clever-drawer/core';

export const sortingNames: Record<FolderSorting, string> = {
  name: 'name',
  type: 'type',
  vendor: 'vendor',
  use: 'most used',
  lately: 'last loaded',
  newest: 'newest',
};
