/** What each act has to tell of itself. */
import type { PluginId } from '../id.ts';
import type { FolderId } from '../id.ts';
import type { Result } from '../problem.ts';
import { resolveShortcut, type Order } from '../order/records.ts';
import type { Act, ActName, ActOf } from './act.ts';
import type { NameOfPlugin, ActResult } from './act-result.ts';

/** How one act is done. */
export interface ActRule<N extends ActName> {
  /** The plugins whose names or existence performing it has to know. */
  readonly plugins: (act: ActOf<N>, order: Order) => readonly PluginId[];
  /**
   * The act with folders that only stand for one of another cabinet replaced by that one, where
   * that is what is meant.
   */
  readonly resolve: (act: ActOf<N>, order: Order) => ActOf<N>;
  /** The change of a resolved act. Nothing is written here. */
  readonly perform: (order: Order, act: ActOf<N>, nameOf: NameOfPlugin) => Result<ActResult>;
}

/** A family of acts; one that is forgotten does not compile. */
export type ActRules<N extends ActName = ActName> = { readonly [Name in N]: ActRule<Name> };

/** For acts that name no plugin. */
export const noPlugins = (): readonly PluginId[] => [];

/** The act means what it says. */
export const asSaid = <A extends Act>(act: A): A => act;

/** The act with the folder that is meant by its folder. */
export const withShortcutResolved = <A extends Act & { readonly folder: FolderId }>(
  act: A,
  order: Order,
): A => ({ ...act, folder: resolveShortcut(order, act.folder) });
