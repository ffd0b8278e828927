/** All texts about the server. */
export const noAnswer =
  'Clever Drawer does not answer. Is it still running? Start it again with ./start; nothing saved is lost.';
export const serverAnswered = (status: number): string => `The server answered ${status}.`;
