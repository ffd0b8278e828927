/** What is uncertain about the catalog, as questions; answered ones vanish at once. */
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import {
  allCopyAssignments,
  allSpellings,
  createStableMap,
  isPresent,
  type createQuestionsAhead,
  type pluginsAsked,
  type questionsOf,
  type FindingView,
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

/** What makes questions, and the first that it made, kept no longer than what they were made of. */
interface First {
  readonly asking: Asking;
  readonly made: WeakMap<Uncertain, readonly Question[]>;
}

/**
 * Null until what is asked about is there and was looked at in idle moments, and, once hands were at
 * rest, the questions of each kind have been made of it: the first about many plugins take longer than
 * a key may wait.
 */
function useFirst(asking: Asking | null, uncertain: Uncertain | null): First | null {
  const [first, setFirst] = useState<First | null>(null);
  useEffect(() => {
    if (first || !asking || !uncertain) {
      return undefined;
    }
    const { look, ask } = asking.createQuestionsAhead(uncertain);
    const goOn = (): boolean => {
      const questions = ask();
      if (questions) {
        setFirst({ asking, made: new WeakMap([[uncertain, questions]]) });
      }
      return questions === null;
    };
    let isOver = false;
    let stop = inIdleMoments(() => {
      const isMore = look(step);
      if (!isMore) {
        whenAtRest(() => {
          if (!isOver) {
            stop = inIdleMoments(goOn);
          }
        });
      }
      return isMore;
    });
    return () => {
      isOver = true;
      stop();
    };
  }, [first, asking, uncertain]);
  return first;
}

/** Fetched once the first screen stands. */
function useAsking(): Asking | null {
  const [asking, setAsking] = useState<Asking | null>(null);
  const tellMissing = useTellMissing();
  useEffect(() => {
    whenAtRest(() => {
      import('./questions.ts').then((fetched) => {
        setAsking(() => fetched);
      }, tellMissing);
    });
  }, [tellMissing]);
  return asking;
}

/** `isShown`: they are looked at. For who only counts them they are asked for when hands are at rest. */
export function useQuestions(isShown: boolean): Questions {
  const { client } = useComputer();
  const { plugins, answers } = useCatalog();
  const { order } = useOrder();
  const asking = useAsking();
  const enabled = isShown || asking !== null;
  const sort = useQuery({ ...sortQuery(client), enabled });
  const failed = useQuery({
    queryKey: ['findings', client.computer, 'failed'],
    queryFn: client.failedNow,
    enabled,
  });
  const view = sort.data;
  const grounds = useMemo(
    () => view && new Map(view.grounds.map((one) => [one.plugin as string, one])),
    [view],
  );
  const [stableDecided] = useState(createStableMap<string, string>);
  const [stablePinned] = useState(createStableMap<string, string>);
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
  const uncertain = useMemo(
    (): Uncertain | null =>
      view && grounds
        ? {
            plugins: plugins.filter((plugin) => plugin.chain === undefined),
            answers,
            grounds,
            decided: new Set(spellings.keys()),
            pinned: new Set(belongings.keys()),
            doubts: view.doubts,
            vendors: view.vendors,
            near: view.near,
          }
        : null,
    [plugins, answers, grounds, spellings, belongings, view],
  );
  const first = useFirst(asking, uncertain);
  const questions = useMemo(() => {
    if (!first || !uncertain) {
      return [];
    }
    return first.made.get(uncertain) ?? first.asking.questionsOf(uncertain);
  }, [first, uncertain]);
  const total = useMemo(() => plugins.filter(isPresent).length, [plugins]);
  const asked = useMemo(
    () =>
      new Set(
        questions.flatMap(
          (question) => first?.asking.pluginsAsked(question).map(({ id }) => id) ?? [],
        ),
      ),
    [first, questions],
  );
  return {
    questions,
    failed: failed.data ?? none,
    total,
    settled: total - asked.size,
    view,
    // A count that grows under one's eyes would be no count.
    isReady: view !== undefined && first !== null && !failed.isPending,
  };
}
