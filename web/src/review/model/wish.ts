/** What is looked at, as it stands in the address. */
import {
  day,
  kinds,
  trackKinds,
  type Kind,
  type ReviewWish,
  type TrackKind,
} from '@clever-drawer/core';

/** Spans of time that can be looked at, in days; null is from the beginning. */
export const periods = [
  { id: 'all', days: null },
  { id: 'year', days: 365 },
  { id: 'quarter', days: 91 },
  { id: 'month', days: 28 },
] as const;

const oneOf = <T extends string>(list: readonly T[], text: string | null): T | null =>
  list.find((one) => one === text) ?? null;

/** The wish of an address. `now` in milliseconds since 1970. */
export function wishOf(params: URLSearchParams, now: number): ReviewWish {
  const period = periods.find(({ id }) => id === params.get('period')) ?? periods[1];
  return {
    from: period.days === null ? null : now - period.days * day,
    now,
    cabinet: params.get('cabinet'),
    kind: oneOf<Kind>(kinds, params.get('kind')),
    track: oneOf<TrackKind>(trackKinds, params.get('track')),
    vendor: params.get('vendor'),
  };
}
