/** The review of what the address asks for, worked out in a worker, and again when anything changes. */
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Review, ReviewSource, ReviewWish } from '@clever-drawer/core';
import { useArrangement, useCatalog, useComputer, useOrder } from '../studio/contexts.ts';
import type { Answered, Asked } from './model/asked.ts';
import { materialOf } from './model/material.ts';

export interface ReviewState {
  /** Null until the first is there; of an older wish while a new one is worked out. */
  readonly review: Review | null;
  readonly source: ReviewSource | undefined;
  readonly error: Error | null;
}

export function useReview(wish: ReviewWish): ReviewState {
  const { client } = useComputer();
  const { plugins, answers, formatOrder } = useCatalog();
  const { order } = useOrder();
  const { arrangement } = useArrangement();
  const { data: source, error } = useQuery({
    queryKey: ['review', client.computer],
    queryFn: client.review,
  });
  const material = useMemo(
    () => materialOf({ plugins, answers, formatOrder, order: order.records, arrangement }),
    [plugins, answers, formatOrder, order.records, arrangement],
  );
  const { review, ask } = useWorker();
  useEffect(() => {
    if (source) {
      const { loads, comings, sessions } = source;
      ask({ ask: 'hold', material: { ...material, loads, comings, sessions } });
    }
  }, [ask, material, source]);
  useEffect(() => {
    if (source) {
      ask({ ask: 'review', number: 0, wish });
    }
  }, [ask, material, source, wish]);
  return { review, source, error };
}

/** A worker as long as the screen stands; only the latest answer counts. */
function useWorker() {
  const [review, setReview] = useState<Review | null>(null);
  const worker = useRef<Worker | null>(null);
  const waiting = useRef<Asked[]>([]);
  const latest = useRef(0);
  useEffect(() => {
    const made = new Worker(new URL('./review.worker.ts', import.meta.url), { type: 'module' });
    made.onmessage = ({ data }: MessageEvent<Answered>) => {
      if (data.number === latest.current) {
        setReview(data.review);
      }
    };
    worker.current = made;
    for (const asked of waiting.current.splice(0)) {
      made.postMessage(asked);
    }
    return () => {
      worker.current = null;
      made.terminate();
    };
  }, []);
  const [ask] = useState(() => (asked: Asked): void => {
    latest.current += 1;
    const numbered = asked.ask === 'review' ? { ...asked, number: latest.current } : asked;
    if (worker.current) {
      worker.current.postMessage(numbered);
    } else {
      waiting.current.push(numbered);
    }
  });
  return { review, ask };
}
