/** What is uncertain about the catalog, as questions; answered ones vanish at once. */
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import {
  allCopyAssignments,
  allSpellings,
  createStable,
  isPresent,
  type createQuestionsAhead,
  type pluginsAsked,
  type questionsOf,
  type FindingView,
  type Plugin,
  type Question,
  type SortView,
  type Uncertain,
} from '@clever-drawer/core';
import { inIdleMoments, whenAtRest } from '../ui/idle.ts';
import { useTellMissing } from '../ui/notices.tsx';
import { useCatalog, useComputer, useOrder } from './contexts.ts';
import { sortQuery } from './studio-queries.ts';

export interface Questions {
  readonly questions: readonly Question[];
  readonly failed: readonly FindingView[];
  /** Plugins that are there, and those of them about which nothing is asked. */
  readonly total: number;
  readonly settled: number;
  readonly view: SortView | undefined;
  readonly isReady: boolean;
}

const none: readonly FindingView[] = [];

interface Asking {
  readonly createQuestionsAhead: typeof createQuestionsAhead;
  readonly questionsOf: typeof questionsOf;
  readonly pluginsAsked: typeof pluginsAsked;
}

/** So many plugins are looked at ahead of the first questions between two looks at the time. */
const step = 100;

/**
 * Fetched once the first screen stands. Null until what is asked about is there, too, has been looked
 * at in idle moments, and hands are at rest: the first questions about many plugins take longer than a
 * key may wait.
 */
function useAsking(
  grounds: Uncertain['grounds'] | null,
  plugins: readonly Plugin[],
): Asking | null {
  const [asking, setAsking] = useState<Asking | null>(null);
  const [isDue, setDue] = useState(false);
  const tellMissing = useTellMissing();
  useEffect(() => {
    whenAtRest(() => {
      import('./questions.ts').then((fetched) => {
        setAsking(() => fetched);
      }, tellMissing);
    });
  }, [tellMissing]);
  useEffect(() => {
    if (isDue || !asking || !grounds) {
      return undefined;
    }
    const goOn = asking.createQuestionsAhead({ plugins, grounds });
    return inIdleMoments(() => {
      const isMore = goOn(step);
      if (!isMore) {
        whenAtRest(() => {
          setDue(true);
        });
      }
      return isMore;
    });
  }, [isDue, asking, grounds, plugins]);
  return isDue ? asking : null;
}

export function useQuestions(): Questions {
  const { client } = useComputer();
  const { plugins, answers } = useCatalog();
  const { order } = useOrder();
  const sort = useQuery(sortQuery(client));
  const failed = useQuery({
    queryKey: ['findings', client.computer, 'failed'],
    queryFn: client.failedNow,
  });
  const view = sort.data;
  const grounds = useMemo(
    () => view && new Map(view.grounds.map((one) => [one.plugin as string, one])),
    [view],
  );
  const [stableDecided] = useState(createStable<string, string>);
  const [stablePinned] = useState(createStable<string, string>);
  const spellings = useMemo(
    () =>
      stableDecided(new Map(allSpellings(order.records).map((one) => [one.spelling, one.vendor]))),
    [stableDecided, order.records],
  );
  const belongings = useMemo(
    () =>
      stablePinned(
        new Map(
          allCopyAssignments(order.records).map((one) => [one.id as string, one.plugin as string]),
        ),
      ),
    [stablePinned, order.records],
  );
  const asking = useAsking(grounds ?? null, plugins);
  const questions = useMemo(
    () =>
      view && grounds && asking
        ? asking.questionsOf({
            plugins: plugins.filter((plugin) => plugin.chain === undefined),
            answers,
            grounds,
            decided: new Set(spellings.keys()),
            pinned: new Set(belongings.keys()),
            doubts: view.doubts,
            vendors: view.vendors,
            near: view.near,
          })
        : [],
    [asking, plugins, answers, grounds, spellings, belongings, view],
  );
  const total = useMemo(() => plugins.filter(isPresent).length, [plugins]);
  const asked = useMemo(
    () =>
      new Set(
        questions.flatMap((question) => asking?.pluginsAsked(question).map(({ id }) => id) ?? []),
      ),
    [asking, questions],
  );
  return {
    questions,
    failed: failed.data ?? none,
    total,
    settled: total - asked.size,
    view,
    // A count that grows under one's eyes would be no count.
    isReady: view !== undefined && asking !== null && !failed.isPending,
  };
}
