/** The form of a folder, fetched when nothing else is to be done. */
import { fetchedLater } from '../ui/fetched-later.tsx';

export const FolderForm = fetchedLater(
  async () => (await import('./folder-form.tsx')).FolderForm,
  'keys held',
);
