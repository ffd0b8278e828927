/** The one builder of plugins for tests. */
import { asId } from '../id.ts';
import type { CopyCard, Plugin } from './plugin.ts';

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

/** A copy that is there and can be loaded, with what a test says of it. */
export const copyOf = (id: string, more: Partial<CopyCard> = {}): CopyCard => ({
  id: asId(id),
  format: 'VST3',
  path: `/plugins/${id}.vst3`,
  version: null,
  hasPicture: false,
  is32Bit: false,
  isFailed: false,
  state: 'present',
  audioIn: 2,
  audioOut: 2,
  ...more,
});
