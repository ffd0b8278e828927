/** What was put off, until when; and putting something off. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import type { PutOff } from '@clever-drawer/core/api';
import { useComputer } from './contexts.ts';
import { useNotifyError } from './notify-error.ts';

export interface PutOffState {
  /** Whether it is known what is. */
  readonly isKnown: boolean;
  /** Whether it is put off at that time (milliseconds since 1970); all is, until it is known. */
  readonly isPutOff: (what: string, now: number) => boolean;
  /** Until a time (ISO 8601), or for good with null; without a time it is told again. */
  readonly putOff: (what: string, until?: string | null) => void;
}

export function usePutOff(): PutOffState {
  const { client } = useComputer();
  const queries = useQueryClient();
  const notifyError = useNotifyError();
  const queryKey = ['put-off', client.computer];
  const { data } = useQuery({ queryKey, queryFn: client.putOffs });
  const isPutOff = useCallback(
    (what: string, now: number): boolean => {
      const until = data?.[what];
      return !data || until === null || (until !== undefined && Date.parse(until) > now);
    },
    [data],
  );
  const putOff = (what: string, until?: string | null): void => {
    client.putOff(what, until).then((next: PutOff) => {
      queries.setQueryData(queryKey, next);
    }, notifyError);
  };
  return { isKnown: data !== undefined, isPutOff, putOff };
}
