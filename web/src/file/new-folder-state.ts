/** What another screen hands to File so that it begins with a new folder. */
export const newFolderState = { isNewFolder: true } as const;

export const asksNewFolder = (state: unknown): boolean =>
  typeof state === 'object' && state !== null && 'isNewFolder' in state;
