/** What is looked at, whatever the moment: as it stands in an address. */
import { kinds, type Kind } from '../catalog/kind.ts';
import { trackKinds, type TrackKind } from '../loading/loadability.ts';
import { day } from '../time.ts';
import type { ReviewWish } from './studied.ts';

/** Spans of time that can be looked at, in days; null is from the beginning. */
export const periods = [
  { id: 'all', days: null },
  { id: 'year', days: 365 },
  { id: 'quarter', days: 91 },
  { id: 'month', days: 28 },
] as const;
/** The name of a span of time. */
export type Period = (typeof periods)[number]['id'];

/** A span of time up to now, and which plugins and loads; null is no matter. */
export interface ReviewView extends Omit<ReviewWish, 'from' | 'now'> {
  readonly period: Period;
}

/** What is looked at where nothing else is said. */
export const usualView: ReviewView = {
  period: 'year',
  cabinet: null,
  kind: null,
  track: null,
  vendor: null,
};

const oneOf = <T extends string>(list: readonly T[], text: string | null): T | null =>
  list.find((one) => one === text) ?? null;

/** What an address that somebody may have written by hand says; what it says wrongly is no matter. */
export function viewOf(address: URLSearchParams): ReviewView {
  const ids = periods.map(({ id }) => id);
  return {
    period: oneOf<Period>(ids, address.get('period')) ?? usualView.period,
    cabinet: address.get('cabinet'),
    kind: oneOf<Kind>(kinds, address.get('kind')),
    track: oneOf<TrackKind>(trackKinds, address.get('track')),
    vendor: address.get('vendor'),
  };
}

/** The wish of a moment. `now` in milliseconds since 1970. */
export function wishOf({ period, ...others }: ReviewView, now: number): ReviewWish {
  const days = periods.find(({ id }) => id === period)?.days ?? null;
  return { ...others, now, from: days === null ? null : now - days * day };
}

/** The whole collection, from the beginning. `now` in milliseconds since 1970. */
export const wholeReview = (now: number): ReviewWish =>
  wishOf({ ...usualView, period: 'all' }, now);
