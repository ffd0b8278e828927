// Node 20 has no TypeScript of its own, and tsx's `--import` does not reach worker threads: they register it themselves.
import { register } from 'tsx/esm/api';

register();
await import('./review-worker.ts');
