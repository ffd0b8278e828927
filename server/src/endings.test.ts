import { describe, expect, it } from '@jest/globals';
import { Endings } from './endings.ts';

const made = () => {
  const done: string[] = [];
  const failed: string[] = [];
  const endings = new Endings((name, error) => {
    failed.push(`${name}: ${error instanceof Error ? error.message : String(error)}`);
  });
  return { done, failed, endings };
};

describe('ending', () => {
  it('goes through all steps, the last first, once', async () => {
    const { done, failed, endings } = made();
    endings.add('first', () => done.push('first'));
    endings.add('second', () => Promise.resolve().then(() => done.push('second')));
    await Promise.all([endings.run(), endings.run()]);
    await endings.run();
    expect([done, failed]).toEqual([['second', 'first'], []]);
  });
  it('goes on behind a step that throws, one that rejects, and one that never ends', async () => {
    const { done, failed, endings } = made();
    endings.add('last', () => done.push('last'));
    endings.add('never', () => new Promise(() => undefined), 20);
    endings.add('rejects', () => Promise.reject(new Error('no')));
    endings.add('throws', () => {
      throw new Error('gone');
    });
    await endings.run();
    expect(done).toEqual(['last']);
    expect(failed).toEqual([
      'throws: gone',
      'rejects: no',
      'never: it took longer than 0.02 seconds',
    ]);
  });
});
