/** All texts about the server. */
export const noAnswer =
  'Clever Drawer is not responding. If it is not running, start it with ./start. Nothing saved is lost.';
export const serverAnswered = (status: number): string => `The server answered ${status}.`;
