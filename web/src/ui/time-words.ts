/** Points in time as people say them. */

/** "today 9:41" or "14 Nov 9:41", by this machine's clock and zone. */
export function sayTime(time: string): string {
  const at = new Date(time);
  const clock = at.toLocaleTimeString([], { hour: 'numeric', minute: '2-digit', hour12: false });
  const isToday = at.toDateString() === new Date().toDateString();
  return `${isToday ? 'today' : at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })} ${clock}`;
}
