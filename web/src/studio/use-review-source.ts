/** What a review is made of besides what the window holds. */
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type { ReviewSource } from '@clever-drawer/core';
import { useComputer } from './contexts.ts';

export function useReviewSource(): UseQueryResult<ReviewSource> {
  const { client } = useComputer();
  return useQuery({ queryKey: ['review', client.computer], queryFn: client.review });
}
