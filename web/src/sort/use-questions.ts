/** What is uncertain about the catalog, as questions; answered ones vanish at once. */
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { FindingView } from '@clever-drawer/core/api';
import { isPresent } from '@clever-drawer/core/catalog';
import { pluginsAsked, questionsOf, type Question } from '@clever-drawer/core/identify';
import { uncertainOf, type SortView } from '@clever-drawer/core/studio';
import { useCatalog, useComputer, useOrder } from '../studio/contexts.ts';
import { sortQuery } from '../studio/studio-queries.ts';

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

export function useQuestions(): Questions {
  const { client } = useComputer();
  const { plugins, answers } = useCatalog();
  const { order } = useOrder();
  const { data: view } = useQuery(sortQuery(client));
  const failed = useQuery({
    queryKey: ['findings', client.computer, 'failed'],
    queryFn: client.failedNow,
  });
  const questions = useMemo(
    () => (view ? questionsOf(uncertainOf(plugins, answers, order.records, view)) : []),
    [plugins, answers, order.records, view],
  );
  const total = useMemo(() => plugins.filter(isPresent).length, [plugins]);
  const asked = useMemo(
    () => new Set(questions.flatMap((question) => pluginsAsked(question).map(({ id }) => id))),
    [questions],
  );
  return {
    questions,
    failed: failed.data ?? none,
    total,
    settled: total - asked.size,
    view,
    isReady: view !== undefined && !failed.isPending,
  };
}
