/** Plugins written to a file as a table (CSV), for a spreadsheet. */
import { messageOf } from '../api/client.ts';
import { useComputer } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';
import { saveAs } from '../ui/save-as.ts';

/** Writes those plugins in that order, or all of them. */
export function useWriteTable(): (plugins: readonly string[] | null) => void {
  const { client, computer } = useComputer();
  const { notify } = useNotices();
  return (plugins) => {
    client.table(plugins).then(
      ({ text }) => {
        saveAs(new Blob([text], { type: 'text/csv' }), `${computer.name}.csv`);
      },
      (error: unknown) => {
        notify(messageOf(error), 'trouble');
      },
    );
  };
}
