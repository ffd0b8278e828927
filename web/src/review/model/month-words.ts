/** Months as people say them. */

/** "March 2026" of 2026-03; short "Mar", with the year in January. */
export function monthWords(month: string, isShort = false): string {
  const date = new Date(`${month}-01T00:00:00Z`);
  const isJanuary = month.endsWith('-01');
  return date.toLocaleDateString('en-GB', {
    month: isShort ? 'short' : 'long',
    ...(isShort && !isJanuary ? {} : { year: 'numeric' }),
    timeZone: 'UTC',
  });
}
