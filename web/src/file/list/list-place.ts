/** Where one was in the list, for this window: the way back from a plugin's page leads there again. */

export interface ListPlace {
  /** The query of the address, and with it what narrows the list. */
  readonly query: string;
  /** The marked plugin. */
  readonly plugin: string | null;
  /** How far the list was scrolled, in pixels. */
  readonly offset: number;
}

const nameOf = (computer: string): string => `clever-drawer.list-place.${computer}`;

/** The place in the list with that query; null where one was never in it, or in another one since. */
export function readPlace(computer: string, query: string): ListPlace | null {
  const stored = sessionStorage.getItem(nameOf(computer));
  // Written below, in this window.
  const place = stored === null ? null : (JSON.parse(stored) as ListPlace);
  return place?.query === query ? place : null;
}

export const writePlace = (computer: string, place: ListPlace): void => {
  sessionStorage.setItem(nameOf(computer), JSON.stringify(place));
};
