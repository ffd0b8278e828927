/**
 * A clock that can be set back while the demo is seeded: a studio that has been there for a year
 * has not been scanned today for the first time.
 */
import { day } from '@clever-drawer/core/time';
export interface Travel {
  readonly clock: () => Date;
  /** Days before the present; 0 is the present. */
  readonly setBack: (days: number) => void;
}

export function createTravel(): Travel {
  let back = 0;
  return {
    clock: () => new Date(Date.now() - back),
    setBack: (days) => {
      back = days * day;
    },
  };
}
