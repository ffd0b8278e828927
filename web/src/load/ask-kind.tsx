/** What a plugin of unknown kind is: asked once, when it was first loaded. */
import { useCallback, useState } from 'react';
import { kinds, kindWords, type Plugin } from '@clever-drawer/core/catalog';
import { annotateAct } from '../annotate/annotate.ts';
import { useActs, useArrangement, useComputer } from '../studio/contexts.ts';
import { useStored } from '../ui/use-stored.ts';
import * as texts from './texts.ts';

/** The plugin to be asked about, if one is; `loaded` is told of each plugin that was loaded. */
export function useKindQuestion(): {
  readonly asked: Plugin | null;
  readonly loaded: (plugin: Plugin) => void;
  readonly close: () => void;
} {
  const { client } = useComputer();
  const [before, setBefore] = useStored(`load.askedKind.${client.computer}`, '');
  const [asked, setAsked] = useState<Plugin | null>(null);
  const known = before.split(' ');
  return {
    asked,
    loaded: (plugin) => {
      if (
        plugin.kind === 'unknown' &&
        !plugin.chain &&
        !plugin.setting &&
        !known.includes(plugin.id)
      ) {
        setAsked(plugin);
        setBefore([...known, plugin.id].join(' ').trim());
      }
    },
    close: useCallback(() => {
      setAsked(null);
    }, []),
  };
}

export function AskKind({ plugin, onClose }: { plugin: Plugin; onClose: () => void }) {
  const { act } = useActs();
  const { nameOf } = useArrangement();
  return (
    <p className="ask-kind" role="group" aria-label={texts.whatIs(nameOf(plugin))}>
      <span>{texts.whatIs(nameOf(plugin))}</span>
      {kinds
        .filter((kind) => kind !== 'unknown')
        .map((kind) => (
          <button
            key={kind}
            type="button"
            className="link-words"
            onClick={() => {
              if (act(annotateAct([plugin.id], { kind }))) {
                onClose();
              }
            }}
          >
            {kindWords[kind].title}
          </button>
        ))}
      <button type="button" className="link-words dismiss" onClick={onClose}>
        {texts.notNow}
      </button>
    </p>
  );
}
