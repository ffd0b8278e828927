/** The facts of a plugin in one line, for reading while one goes through the list. */
import type { Answer, CopyCard, Plugin } from '@clever-drawer/core/catalog';
import { widthWords, type Usage } from '@clever-drawer/core/loading';
import { typeName } from '@clever-drawer/core/taxonomy';
import { ofWhat } from '../../annotate/of-what.ts';
import * as texts from '../texts.ts';

/** What the line is made of. */
export interface FactsSource {
  readonly plugin: Plugin;
  /** The copy that is used first; none of a chain. */
  readonly copy: CopyCard | undefined;
  readonly answer: Answer | undefined;
  readonly usage: Usage | undefined;
  /** Names of the folders it is in. */
  readonly folders: readonly string[];
}

/** What there is to say, the path last; nothing is said twice that is not known. */
export function factsLine({ plugin, copy, answer, usage, folders }: FactsSource): string[] {
  const licence = answer?.licence;
  return [
    ofWhat(plugin),
    copy && [copy.format, copy.version].filter((fact) => fact !== null).join(' '),
    copy && widthOf(copy),
    plugin.types.map(typeName).join(', '),
    licence && (licence.until === null ? licence.state : texts.trialUntil(licence.until)),
    answer?.isHidden ? texts.hiddenInLoad : '',
    folders.length === 0 ? texts.unfiled : texts.inTheFolders(folders.join(', ')),
    loadsOf(usage),
    copy?.path,
  ].filter((fact): fact is string => typeof fact === 'string' && fact !== '');
}

function widthOf({ audioIn, audioOut }: CopyCard): string {
  if (audioOut === null || audioOut === 0) {
    return '';
  }
  return audioIn === null || audioIn === audioOut || audioIn === 0
    ? widthWords(audioOut)
    : texts.fromTo(widthWords(audioIn), widthWords(audioOut));
}

const loadsOf = (usage: Usage | undefined): string =>
  usage && usage.loads > 0
    ? texts.loadedTimes(usage.loads, usage.lastLoaded.slice(0, 10))
    : texts.neverLoaded;
