/** Days as they are written. */

/** Whether a text is a day of the calendar, as YYYY-MM-DD (ISO 8601): 2026-02-31 is none. */
export const isDay = (text: string): boolean =>
  /^\d{4}-\d{2}-\d{2}$/.test(text) &&
  !Number.isNaN(Date.parse(`${text}T00:00:00Z`)) &&
  new Date(`${text}T00:00:00Z`).toISOString().startsWith(text);
