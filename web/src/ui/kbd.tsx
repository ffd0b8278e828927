/** Keys as they stand on the keyboard at hand. */
import { keyWords } from './key-words.ts';

export function Kbd({ keys }: { keys: string }) {
  return <kbd>{keyWords(keys)}</kbd>;
}
