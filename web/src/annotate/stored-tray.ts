/** The tray as it is kept for this window, so that other screens can put plugins into it. */

const nameOf = (computer: string): string => `clever-drawer.tray.${computer}`;

/** What is in the tray. */
export function readTray(computer: string): string[] {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(nameOf(computer)) ?? '[]');
    return Array.isArray(kept) ? kept.filter((id): id is string => typeof id === 'string') : [];
  } catch {
    return [];
  }
}

/** Keeps what is in the tray now. */
export const writeTray = (computer: string, ids: Iterable<string>): void => {
  sessionStorage.setItem(nameOf(computer), JSON.stringify([...new Set(ids)]));
};

/** Puts more into the tray. */
export const addToTray = (computer: string, more: readonly string[]): void => {
  writeTray(computer, [...readTray(computer), ...more]);
};
