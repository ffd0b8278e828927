/** What is known of habits for one slot: how warm what is, here, after the one before, for which letters. */
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import {
  chosenByLetters,
  habitsOf,
  noUse,
  placesIn,
  type Habits,
  type TrackKind,
} from '@clever-drawer/core';
import { useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { habitsQuery } from '../studio/studio-queries.ts';

export function useHabits(track: TrackKind, before: string | null): Habits {
  const { client } = useComputer();
  const { usage } = useCatalog();
  const { arrangement, cabinet } = useArrangement();
  const { data } = useQuery(habitsQuery(client));
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
