/** Doing something to points: what comes back is what is shown. */
import { useQueryClient } from '@tanstack/react-query';
import type { PointsView } from '@clever-drawer/core/api';
import { messageOf } from '../api/client.ts';
import { useComputer, useOrder } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';

/** Runs the work and shows the points that it answers with; trouble is said. */
export function usePointActs(): (work: Promise<PointsView>, done: string) => void {
  const { client } = useComputer();
  const { order } = useOrder();
  const { notify } = useNotices();
  const queries = useQueryClient();
  return (work, done) => {
    work.then(
      (view) => {
        queries.setQueryData(['points', client.computer, order.revision], view);
        notify(done, 'done');
      },
      (error: unknown) => {
        notify(messageOf(error), 'trouble');
      },
    );
  };
}
