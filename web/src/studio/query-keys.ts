/** By which keys the cache holds what acts read and write of a computer. */
type KeyOf = (computer: string) => readonly [string, string];

export const catalogKey: KeyOf = (computer) => ['catalog', computer];
export const orderKey: KeyOf = (computer) => ['order', computer];
export const settingsKey: KeyOf = (computer) => ['settings', computer];
