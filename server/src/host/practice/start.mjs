// Node 20 has no TypeScript of its own: the process registers it itself.
import { register } from 'tsx/esm/api';

register();
await import('./process.ts');
