/** What is kept for a computer is made once, and anew once something happened that changes it. */
import { describe, expect, it } from '@jest/globals';
import { EventHub } from './event-hub.ts';
import { hasNewCatalog, hasNewCopies, hasNewLoads, hasNewUse, Kept } from './kept.ts';

/** A value that counts how often it was made. */
function counted() {
  let times = 0;
  return () => Promise.resolve((times += 1));
}

describe('what is kept for a computer', () => {
  it('is made once, for all who ask meanwhile and later', async () => {
    const kept = new Kept<number>(new EventHub(() => new Date()), hasNewCatalog);
    const make = counted();
    expect(await Promise.all([kept.of('desk', make), kept.of('desk', make)])).toEqual([1, 1]);
    expect(await kept.of('desk', make)).toBe(1);
  });

  it('is another for another computer', async () => {
    const events = new EventHub(() => new Date());
    const kept = new Kept<string>(events, hasNewCatalog);
    const of = (computer: string, value: string) => kept.of(computer, () => Promise.resolve(value));
    expect([await of('desk', 'a'), await of('stage', 'b')]).toEqual(['a', 'b']);
    events.tell('desk', { event: 'catalog' });
    expect([await of('desk', 'c'), await of('stage', 'd')]).toEqual(['c', 'b']);
  });

  it('is made anew after what changes it, and after nothing else', async () => {
    const events = new EventHub(() => new Date());
    const kept = new Kept<number>(events, hasNewCatalog);
    const make = counted();
    await kept.of('desk', make);
    events.tell('desk', { event: 'usage' });
    expect(await kept.of('desk', make)).toBe(1);
    events.tell('desk', { event: 'catalog' });
    expect(await kept.of('desk', make)).toBe(2);
    events.tell('desk', { event: 'catalog' });
    expect(await kept.of('desk', make)).toBe(3);
  });

  it('is not what was begun before something happened', async () => {
    const events = new EventHub(() => new Date());
    const kept = new Kept<string>(events, hasNewCatalog);
    let finish: (value: string) => void = () => undefined;
    const begun = kept.of(
      'desk',
      () =>
        new Promise<string>((resolve) => {
          finish = resolve;
        }),
    );
    events.tell('desk', { event: 'catalog' });
    const after = kept.of('desk', () => Promise.resolve('of now'));
    finish('of before');
    expect([await begun, await after]).toEqual(['of before', 'of now']);
    expect(await kept.of('desk', () => Promise.resolve('again'))).toBe('of now');
  });

  it('is tried again where it could not be made', async () => {
    const kept = new Kept<string>(new EventHub(() => new Date()), hasNewCatalog);
    const away = new Error('the database is away');
    await expect(kept.of('desk', () => Promise.reject(away))).rejects.toBe(away);
    expect(await kept.of('desk', () => Promise.resolve('there'))).toBe('there');
  });
});

describe('what changes what is kept', () => {
  const told = ['catalog', 'order', 'usage', 'session', 'scan', 'database'] as const;
  const changing = (changes: (event: never) => boolean): string[] =>
    told.filter((event) => changes({ event } as never));
  it('is what it is made of', () => {
    expect(changing(hasNewUse)).toEqual(['catalog', 'order', 'usage', 'session']);
    expect(changing(hasNewCatalog)).toEqual(['catalog']);
    expect(changing(hasNewLoads)).toEqual(['catalog', 'usage']);
    expect(changing(hasNewCopies)).toEqual(['catalog', 'order']);
  });
});
