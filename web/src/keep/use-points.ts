/** Doing something to points: what comes back is what is shown, and undo knows of it. */
import { useQueryClient } from '@tanstack/react-query';
import type { PointView, PointsView } from '@clever-drawer/core/api';
import { useActs, useComputer, useOrder } from '../studio/contexts.ts';
import { useNotifyError } from '../studio/notify-error.ts';
import { pointTitle } from './model/point-words.ts';
import * as texts from './texts.ts';

interface PointActs {
  readonly mark: (name: string) => void;
  readonly rename: (point: PointView, name: string) => void;
  readonly remove: (point: PointView) => void;
}

/** Shows what fails. */
export function usePointActs(): PointActs {
  const { client } = useComputer();
  const { order } = useOrder();
  const { did } = useActs();
  const notifyError = useNotifyError();
  const queries = useQueryClient();
  const show = async (work: Promise<PointsView>): Promise<PointsView> => {
    const view = await work;
    queries.setQueryData(['points', client.computer, order.revision], view);
    return view;
  };
  return {
    mark: (name) => {
      // Marked again, it is another point of the same name.
      let id = '';
      const mark = async (): Promise<void> => {
        const { points } = await show(client.markPoint(name));
        id = points.find((point) => point.name === name.trim())?.id ?? '';
      };
      mark().then(() => {
        did(texts.marked(name.trim()), { undo: () => show(client.removePoint(id)), redo: mark });
      }, notifyError);
    },
    rename: (point, name) => {
      show(client.namePoint(point.id, name)).then(() => {
        // A point that came by itself has no name to go back to.
        did(
          texts.called(name.trim()),
          point.name === null
            ? null
            : {
                undo: () => show(client.namePoint(point.id, point.name ?? '')),
                redo: () => show(client.namePoint(point.id, name)),
              },
        );
      }, notifyError);
    },
    remove: (point) => {
      show(client.removePoint(point.id)).then(() => {
        did(texts.pointDeletedTheOrderIs(pointTitle(point)), null);
      }, notifyError);
    },
  };
}
