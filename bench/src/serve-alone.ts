/**
 * A server in a process of its own, so that its memory can be measured: `serve-alone.ts DATA`
 * prints the address.
 */
import { freePort, serve } from '@clever-drawer/server';

const running = await serve({ data: process.argv[2] ?? '', port: await freePort(), web: null });
process.on('SIGTERM', () => {
  void running.stop().then(() => process.exit(0));
});
console.log(running.address);
