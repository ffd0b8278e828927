/**
 * What Clever Drawer needs of a host. The practice session is one; docs/host.md says how another
 * one connects.
 */
import type { HostCopy, HostSession, HostSettings } from '@clever-drawer/core/loading';
import type { Result } from '@clever-drawer/core/problem';

/**
 * What a host is asked to do. A load with an index behind the last slot appends; `slot` is the id
 * the slot will have.
 */
export type HostCommand =
  | {
      readonly do: 'load';
      readonly track: string;
      readonly index: number;
      readonly slot: string;
      readonly copy: HostCopy;
    }
  | { readonly do: 'empty'; readonly slot: string }
  | { readonly do: 'move'; readonly slot: string; readonly track: string; readonly index: number }
  | { readonly do: 'bypass'; readonly slot: string; readonly isBypassed: boolean }
  | { readonly do: 'widen'; readonly track: string; readonly width: number }
  | { readonly do: 'set'; readonly settings: HostSettings }
  /** Opens a saved session: what cannot be opened stands there with its problem. */
  | { readonly do: 'open'; readonly session: HostSession };

/** What speaks to a host: a session and a command in, the session as it then is, or problems, out. */
export interface Host {
  /**
   * Does it and gives the session as it is then; a refusal changes nothing. `before` is the session
   * to go on from.
   */
  ask(before: HostSession, command: HostCommand): Promise<Result<HostSession>>;
  close(): Promise<void>;
}
