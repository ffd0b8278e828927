import { asId, type Plugin } from '@clever-drawer/core';

/** An effect of that name, with what a test says of it. */
export const pluginOf = (name: string, more: Partial<Plugin> = {}): Plugin => ({
  id: asId(name.toLowerCase()),
  name,
  vendor: null,
  kind: 'effect',
  types: [],
  arrived: '2026-01-01T00:00:00.000Z',
  copies: [],
  ...more,
});
