/** What narrows the list, in the words of the sentence. */
import { kindWords } from '@clever-drawer/core/catalog';
import type { Filter } from '@clever-drawer/core/search';
import { typeName } from '@clever-drawer/core/taxonomy';
import * as texts from '../texts.ts';

export function kindText(kind: Filter['kind']): string {
  if (kind === null) {
    return texts.allPlugins;
  }
  return kind === 'setting' ? texts.savedSettings : kindWords[kind].many;
}

export function typeText(type: string | null): string {
  if (type === null) {
    return texts.anyType;
  }
  return type === 'none' ? texts.withoutType : typeName(type);
}
