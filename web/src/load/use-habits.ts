/** What is known of habits for one slot: how warm what is, here, after the one before, for which letters. */
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { HabitsView } from '@clever-drawer/core/api';
import type { TrackKind, Usage } from '@clever-drawer/core/loading';
import {
  chosenByLetters,
  habitsOf,
  noUse,
  placesIn,
  type Habits,
} from '@clever-drawer/core/search';
import { useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { habitsQuery } from '../studio/studio-queries.ts';
import { useStill } from './use-still.ts';

/** What is learnt of loads: how warm each plugin is, and what habits are made of. */
interface Learnt {
  readonly usage: ReadonlyMap<string, Usage>;
  readonly data: HabitsView | undefined;
}

/** Whether habits come for the first time, or some were forgotten. */
const isBegunAnew = ({ data: shown }: Learnt, { data: latest }: Learnt): boolean =>
  !shown || !latest || latest.here.length < shown.here.length;

/** `moment` tells one slot with its letters from the next: what is learnt counts from then on. */
export function useHabits(track: TrackKind, before: string | null, moment: string): Habits {
  const { client } = useComputer();
  const { usage: usageNow } = useCatalog();
  const { arrangement, cabinet } = useArrangement();
  const { data: dataNow } = useQuery(habitsQuery(client));
  const learntNow = useMemo(() => ({ usage: usageNow, data: dataNow }), [usageNow, dataNow]);
  const { usage, data } = useStill(learntNow, moment, isBegunAnew);
  const warmth = useMemo(() => new Map([...usage].map(([id, used]) => [id, used.warmth])), [usage]);
  const here = useMemo(
    () =>
      new Map(
        (data?.here ?? [])
          .filter((one) => one.track === track)
          .map((one) => [one.plugin as string, one.warmth]),
      ),
    [data, track],
  );
  const after = useMemo(
    () =>
      new Map(
        (data?.after ?? [])
          .filter((one) => one.after === before)
          .map((one) => [one.plugin as string, one.warmth]),
      ),
    [data, before],
  );
  const chosen = useMemo(() => chosenByLetters(data?.letters ?? []), [data]);
  const { folders, members, placements, below } = arrangement;
  const shown = cabinet?.id ?? '';
  const inCabinet = useMemo(
    () => placesIn({ below, members, placements }, shown),
    [below, members, placements, shown],
  );
  return useMemo(() => {
    const favourites = new Set<string>(
      folders
        .filter((folder) => folder.form === 'favourites')
        .flatMap((folder) => members.get(folder.id) ?? []),
    );
    return habitsOf({
      ...noUse,
      warmth,
      warmthHere: here,
      warmthAfter: after,
      chosen,
      favourites,
      inCabinet,
    });
  }, [warmth, here, after, chosen, folders, members, inCabinet]);
}
