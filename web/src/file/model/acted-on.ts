/** What keys act on in File: the tray if one works from it, else what is selected, else one plugin. */

/** Where one is: a row of the list, or a plugin in an opened folder. */
export interface Spot {
  readonly plugin: string;
  /** In a folder: what is selected there. */
  readonly selected: readonly string[];
  readonly isInList: boolean;
}

/** What is acted on. */
export interface ActedOn {
  readonly plugins: readonly string[];
  /** Whether that is the tray, which is empty once it is filed. */
  readonly isTray: boolean;
}

/** Nothing where one is nowhere; a row that is in the tray stands for all of it. */
export function actedOn(spot: Spot | null, tray: ReadonlySet<string>): ActedOn {
  if (spot === null) {
    return { plugins: [], isTray: false };
  }
  if (spot.isInList && tray.has(spot.plugin)) {
    return { plugins: [...tray], isTray: true };
  }
  const isSelected = spot.selected.includes(spot.plugin);
  return { plugins: isSelected ? spot.selected : [spot.plugin], isTray: false };
}
