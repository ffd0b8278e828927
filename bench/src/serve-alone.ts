/**
 * A server in a process of its own, so that its memory can be measured: `serve-alone.ts DATA [WEB]`
 * prints the address. With the directory of the built pages it serves them, too.
 */
import { freePort, serve } from '@clever-drawer/server';

const [, , data = '', web = null] = process.argv;
const running = await serve({ data, port: await freePort(), web });
process.on('SIGTERM', () => {
  void running.stop().then(() => process.exit(0));
});
console.log(running.address);
