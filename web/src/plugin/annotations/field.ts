/** What every field of a plugin's annotations is given. */
import type { AnswerFacts, Plugin } from '@clever-drawer/core/catalog';

export interface FieldProps {
  readonly plugin: Plugin;
  /** What the user said of it; nothing yet where all is null. */
  readonly said: AnswerFacts;
  readonly onSay: (set: Partial<AnswerFacts>) => void;
}
