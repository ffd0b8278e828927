/**
 * What the screens share about one computer, in small contexts: a screen is drawn again only when a
 * part that it asks for changed, so that the progress of a scan, say, redraws only who shows it.
 */
import { createContext, useContext } from 'react';
import type { Act, Direction } from '@clever-drawer/core/acts';
import type { ComputerView, ScanProgress } from '@clever-drawer/core/api';
import type { Arrangement } from '@clever-drawer/core/arrangement';
import type { Plugin } from '@clever-drawer/core/catalog';
import type { Usage } from '@clever-drawer/core/loading';
import type { Cabinet, PluginNames } from '@clever-drawer/core/order';
import type { FindableThing, Finder, SettingFinder } from '@clever-drawer/core/search';
import type { StudioCatalog } from '@clever-drawer/core/studio';
import type { Client } from '../api/client.ts';
import type { Later } from './later.ts';
import type { OrderState } from './order-store.ts';
import type { Beside, OwnActs } from './own-acts.ts';

export interface ComputerContext {
  readonly client: Client;
  readonly computer: ComputerView;
  readonly computers: readonly ComputerView[];
  readonly chooseComputer: (id: string) => void;
}

export interface CatalogContext extends StudioCatalog {
  readonly usage: ReadonlyMap<string, Usage>;
  /** The address of a plugin's picture: the user's own, else one that a copy ships. */
  readonly pictureOf: (plugin: Plugin) => string | null;
}

export interface FindingContext {
  /** Finds plugins, and settings of which something was made. */
  readonly finder: Finder;
  readonly settingFinder: SettingFinder<FindableThing>;
}

/** Questions that wait. */
export interface WaitingContext extends Later {
  /** How many wait that are not put off, copies that failed among them. */
  readonly waiting: number;
}

export interface ArrangementContext {
  /** The cabinet that is shown, and all of them in order. */
  readonly cabinet: Cabinet | undefined;
  readonly cabinets: readonly Cabinet[];
  readonly chooseCabinet: (id: string) => void;
  readonly arrangement: Arrangement;
  readonly nameOf: (plugin: Plugin) => string;
  readonly namesOf: (plugin: string) => PluginNames | undefined;
}

/** What follows from an act beside the order. */
export interface Then {
  /** It is in the database. */
  readonly onStored?: (() => void) | undefined;
  /** It was taken back by this window. */
  readonly onUndone?: (() => void) | undefined;
}

/** Never other ones as long as the computer is the same. */
export interface ActsContext {
  /** Does an act at once and has it stored. False when it cannot be done; the reason has been shown. */
  readonly act: (act: Act, then?: Then) => boolean;
  /** By a key, a change that was made elsewhere is named first and undone when it is pressed again. */
  readonly step: (direction: Direction, isByKey?: boolean) => void;
  /**
   * Notes something that was done beside the order, and how it is taken back; with null it cannot be.
   * It is notified, too.
   */
  readonly did: (words: string, beside: Beside | null) => void;
  readonly own: Pick<OwnActs, 'history' | 'subscribe'>;
}

function required<T>(value: T | null): T {
  if (value === null) {
    throw new Error('outside of the studio');
  }
  return value;
}

export const Computer = createContext<ComputerContext | null>(null);
export const Catalog = createContext<CatalogContext | null>(null);
export const Finding = createContext<FindingContext | null>(null);
export const Waiting = createContext<WaitingContext | null>(null);
export const Order = createContext<OrderState | null>(null);
export const ShownArrangement = createContext<ArrangementContext | null>(null);
export const Acts = createContext<ActsContext | null>(null);
/** Whether what is done here can be saved: if not, which of the two does not answer. */
export type Connection = 'there' | 'database-away' | 'server-away';

export const ConnectionContext = createContext<Connection>('there');
export const ScanProgressContext = createContext<ScanProgress | null>(null);

export const useComputer = (): ComputerContext => required(useContext(Computer));
export const useCatalog = (): CatalogContext => required(useContext(Catalog));
export const useFinding = (): FindingContext => required(useContext(Finding));
export const useWaiting = (): WaitingContext => required(useContext(Waiting));
/** The records of the order, and what undo and redo would do. */
export const useOrder = (): { readonly order: OrderState } => ({
  order: required(useContext(Order)),
});
export const useArrangement = (): ArrangementContext => required(useContext(ShownArrangement));
export const useActs = (): ActsContext => required(useContext(Acts));
/** Whether what is done here can be saved at the moment. */
export const useConnection = (): Connection => useContext(ConnectionContext);
/** How far the scan is that runs; null when none does. */
export const useScanProgress = (): ScanProgress | null => useContext(ScanProgressContext);
