/**
 * Questions put off until tomorrow: they come after all others, also after a reload, and do not count
 * beside the screen's name.
 */
import { useCallback, useMemo, useState } from 'react';
import { writeStored, readStored } from '../ui/keys.ts';

/** The most that is remembered; the oldest come back first. */
const most = 2_000;

/** What puts questions off, and which are, in the order in which they were. */
export interface Later {
  readonly later: ReadonlySet<string>;
  /** The same as a list. */
  readonly putOffs: readonly string[];
  readonly putOff: (id: string) => void;
}

/** The day where the user is, as "2026-11-27". */
export function dayOf(date: Date): string {
  const two = (number: number): string => String(number).padStart(2, '0');
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}

/** Lines of "day question"; what was put off on another day is asked again. */
export const putOffOn = (day: string, lines: string): string[] =>
  lines
    .split('\n')
    .flatMap((line) => (line.startsWith(`${day} `) ? [line.slice(day.length + 1)] : []));

const nameOf = (computer: string): string => `later.${computer}`;

/** What is put off on a computer until tomorrow. */
export const putOffNow = (computer: string): string[] =>
  putOffOn(dayOf(new Date()), readStored(nameOf(computer), ''));

export function useLater(computer: string): Later {
  const name = nameOf(computer);
  const [later, setLater] = useState<ReadonlySet<string>>(() => new Set(putOffNow(computer)));
  const putOff = useCallback(
    (id: string) => {
      setLater((before) => {
        // Put off again, it goes to the end.
        const after = [...[...before].filter((other) => other !== id), id].slice(-most);
        const day = dayOf(new Date());
        writeStored(name, after.map((one) => `${day} ${one}`).join('\n'));
        return new Set(after);
      });
    },
    [name],
  );
  return useMemo(() => ({ later, putOffs: [...later], putOff }), [later, putOff]);
}
