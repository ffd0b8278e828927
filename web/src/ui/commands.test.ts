import { describe, expect, it } from '@jest/globals';
import { commandFor, runCommand, type Command } from './commands.ts';

const table = (isOpen: boolean, ran: string[] = []): Command[] => [
  { keys: ['Enter'], when: () => isOpen, run: () => ran.push('inside') },
  { keys: ['Enter', 'ArrowRight'], run: () => ran.push('outside') },
];

describe('a table of commands', () => {
  it('runs the first that has the key and may run', () => {
    expect([true, false].map((isOpen) => commandFor(table(isOpen), 'Enter')?.keys.length)).toEqual([
      1, 2,
    ]);
  });
  it('leaves keys alone that do nothing', () => {
    const stopped: string[] = [];
    const event = {
      preventDefault: () => stopped.push('default'),
      stopPropagation: () => stopped.push('spread'),
    };
    const ran: string[] = [];
    expect([
      runCommand(table(true, ran), 'Tab', event),
      runCommand(table(true, ran), 'ArrowRight', event),
      ran,
      stopped,
    ]).toEqual([false, true, ['outside'], ['default', 'spread']]);
  });
});
