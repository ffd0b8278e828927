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
  try {
    const { plugin, offset, ...stored } = JSON.parse(
      sessionStorage.getItem(nameOf(computer)) ?? '{}',
    ) as Partial<Record<keyof ListPlace, unknown>>;
    return stored.query === query
      ? {
          query,
          plugin: typeof plugin === 'string' ? plugin : null,
          offset: typeof offset === 'number' ? offset : 0,
        }
      : null;
  } catch {
    return null;
  }
}

export const writePlace = (computer: string, place: ListPlace): void => {
  sessionStorage.setItem(nameOf(computer), JSON.stringify(place));
};
