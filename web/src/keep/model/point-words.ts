/** Points in words. */
import type { PointView } from '@clever-drawer/core/api';
import { grouped } from '@clever-drawer/core/grouped';
import * as texts from '../texts.ts';

/** What a point is called: its name, or why there is one. */
export function pointTitle({
  name,
  reason,
  before,
}: Pick<PointView, 'name' | 'reason' | 'before'>): string {
  if (name !== null) {
    return name;
  }
  return reason === 'evening' || reason === 'by-hand' ? texts.evening : texts.before(before ?? '');
}

const isSameYear = (a: Date, b: Date): boolean => a.getFullYear() === b.getFullYear();
const day = 86_400_000;

/** "today 18:02", "Mon 16:40", "12 Oct", "3 Feb 2024". */
export function pointTime({ at }: Pick<PointView, 'at'>, now: Date): string {
  const time = new Date(at);
  const clock = time.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  if (time.toDateString() === now.toDateString()) {
    return texts.today(clock);
  }
  if (now.getTime() - time.getTime() < 6 * day) {
    return `${time.toLocaleDateString('en-GB', { weekday: 'short' })} ${clock}`;
  }
  return time.toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    ...(isSameYear(time, now) ? {} : { year: 'numeric' }),
  });
}

/** Points under "This week", then the names of months, in the order in which they come. */
export function byMonth(points: readonly PointView[], now: Date): [month: string, PointView[]][] {
  const monthOf = ({ at }: PointView): string => {
    const time = new Date(at);
    if (now.getTime() - time.getTime() < 7 * day) {
      return texts.thisWeek;
    }
    return time.toLocaleDateString('en-GB', {
      month: 'long',
      ...(isSameYear(time, now) ? {} : { year: 'numeric' }),
    });
  };
  return [...grouped(points.map((point) => [monthOf(point), point] as const))];
}
