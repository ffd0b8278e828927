/** What is about to end. */
import { day } from '../time.ts';
import type { StudiedPlugin } from './studied.ts';

/** A trial and the days that are left of it; 0 on its last day, below when it has ended. */
export interface EndingTrial {
  readonly plugin: string;
  readonly until: string;
  readonly daysLeft: number;
}

/** Trials with a day, those that end first in front. Days are those of UTC. */
export function endingTrials(
  plugins: readonly Pick<StudiedPlugin, 'id' | 'trialEnds'>[],
  now: number,
): EndingTrial[] {
  const today = Date.parse(new Date(now).toISOString().slice(0, 10));
  return plugins
    .flatMap(({ id, trialEnds }): EndingTrial[] =>
      trialEnds === null
        ? []
        : [
            {
              plugin: id,
              until: trialEnds,
              daysLeft: Math.round((Date.parse(trialEnds) - today) / day),
            },
          ],
    )
    .sort((a, b) => a.daysLeft - b.daysLeft || (a.plugin < b.plugin ? -1 : 1));
}
