/** What a cabinet shows. Nothing in core imports this file. */
export { because } from './because.ts';
export { createArranger, type Arrangement } from './arrangement.ts';
export { ruleWordsOf } from './folder-order.ts';
export { type FoundSettingCard } from './setting-plugin.ts';
