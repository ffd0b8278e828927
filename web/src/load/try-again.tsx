/** Where nothing is typed: forgotten plugins that fit the slot, to be tried again this week. */
import { useCallback } from 'react';
import type { Plugin } from '@clever-drawer/core/catalog';
import { useArrangement } from '../studio/contexts.ts';
import { useTryAgain } from '../studio/use-try-again.ts';
import * as texts from './texts.ts';

interface Props {
  readonly whyNot: (plugin: string) => string | null;
  readonly onLoad: (plugin: Plugin) => void;
}

export function TryAgain({ whyNot, onLoad }: Props) {
  const { nameOf } = useArrangement();
  const fits = useCallback((plugin: string) => whyNot(plugin) === null, [whyNot]);
  const { plugins: fitting, dismiss } = useTryAgain(fits);
  return (
    fitting.length > 0 && (
      <p className="try-again-line">
        <span className="text-soft">{texts.tryAgainThisWeek}</span>
        {fitting.map((plugin) => (
          <button
            key={plugin.id}
            type="button"
            className="link-words"
            title={texts.loadItHere}
            onClick={() => {
              onLoad(plugin);
            }}
          >
            {nameOf(plugin)}
          </button>
        ))}
        <button
          type="button"
          className="link-words dismiss"
          onClick={() => {
            for (const { id } of fitting) {
              dismiss(id);
            }
          }}
        >
          {texts.notThese}
        </button>
      </p>
    )
  );
}
