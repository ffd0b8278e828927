/** What opens over any screen, in one piece. */
export { AllTags } from '../annotate/all-tags.tsx';
export { FormatOrder } from '../annotate/format-order.tsx';
export { ComputerItems } from './computer-items.tsx';
export { FindAnything } from './find-anything.tsx';
export { HelpKeys } from './help-keys.tsx';
export { LatestChanges } from './latest-changes.tsx';
