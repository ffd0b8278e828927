import { describe, expect, it } from '@jest/globals';
import { EventEmitter } from 'node:events';
import { pino } from 'pino';
import { LastNet, type Uncaught } from './last-net.ts';

const made = () => {
  const lines: string[] = [];
  const log = pino({ level: 'error' }, { write: (line: string) => lines.push(line) });
  const uncaught = new EventEmitter();
  return { lines, uncaught, net: new LastNet(uncaught as unknown as Uncaught, log) };
};

describe('the last net', () => {
  it.each(['uncaughtException', 'unhandledRejection'])(
    'logs and tells an error that comes as %s',
    (kind) => {
      const { lines, uncaught, net } = made();
      uncaught.emit(kind, new Error('a promise of nobody'));
      expect(net.words).toEqual(['a promise of nobody']);
      expect(JSON.parse(lines[0] ?? '')).toMatchObject({
        msg: 'an error that nobody caught',
        error: { message: 'a promise of nobody' },
      });
    },
  );
  it('keeps the latest few, and hears nothing once it is removed', () => {
    const { uncaught, net } = made();
    for (let at = 0; at < 9; at += 1) {
      uncaught.emit('uncaughtException', new Error(String(at)));
    }
    expect(net.words).toEqual(['4', '5', '6', '7', '8']);
    net.remove();
    expect(uncaught.eventNames()).toEqual([]);
  });
});
