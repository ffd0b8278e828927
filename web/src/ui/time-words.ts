import * as texts from './texts.ts';
/** Points in time as people say them. */

/** "today 9:41", "14 Nov 9:41" or, of another year, "14 Nov 2025 9:41", by this machine's clock and zone. */
export function sayTime(time: string, now: Date = new Date()): string {
  const at = new Date(time);
  const clock = at.toLocaleTimeString([], { hour: 'numeric', minute: '2-digit', hour12: false });
  if (at.toDateString() === now.toDateString()) {
    return texts.today(clock);
  }
  const isThisYear = at.getFullYear() === now.getFullYear();
  const year = isThisYear ? {} : { year: 'numeric' as const };
  const day = at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', ...year });
  return `${day} ${clock}`;
}
