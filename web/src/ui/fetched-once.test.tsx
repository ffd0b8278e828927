/** @jest-environment jsdom */
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { act, cleanup, render, screen } from '@testing-library/react';
import { createElement, type ComponentType, type ReactNode } from 'react';
import { ErrorBoundary } from './error-boundary.tsx';
import { fetchedOnce, type FetchedOnce } from './fetched-once.ts';

afterEach(cleanup);

const Part = (): ReactNode => 'it is there';
const Waiting = (): ReactNode => 'it is awaited';

/** A place that draws the part, or says that it waits. */
const placeOf = ({ usePart }: FetchedOnce<object>) =>
  function Place(): ReactNode {
    return createElement(usePart() ?? Waiting);
  };

/** What is brought when it is said so. */
function brought() {
  const asked: { arrive: (part: ComponentType) => void; fail: (error: Error) => void }[] = [];
  const bring = () =>
    new Promise<ComponentType>((arrive, fail) => {
      asked.push({ arrive, fail });
    });
  return { asked, bring };
}

const soon = (then: () => void): Promise<void> =>
  act(async () => {
    then();
    await Promise.resolve();
  });

describe('a part that is fetched once', () => {
  it('is awaited in each place, brought once, and stands in all of them', async () => {
    const { asked, bring } = brought();
    const Place = placeOf(fetchedOnce(bring));
    render(
      <>
        <Place />
        <Place />
      </>,
    );
    expect(screen.getByText(/awaited/).textContent).toBe('it is awaitedit is awaited');
    await soon(() => asked[0]?.arrive(Part));
    expect(screen.getByText(/there/).textContent).toBe('it is thereit is there');
    expect(asked).toHaveLength(1);
  });

  it('is drawn in the first place where it was fetched ahead', async () => {
    const { asked, bring } = brought();
    const once = fetchedOnce(bring);
    void once.fetch();
    await soon(() => asked[0]?.arrive(Part));
    render(createElement(placeOf(once)));
    expect(screen.getByText('it is there')).toBeTruthy();
  });

  it('waits for what comes first', async () => {
    const { asked, bring } = brought();
    let begin: () => void = () => undefined;
    const first = new Promise<void>((resolve) => {
      begin = resolve;
    });
    render(createElement(placeOf(fetchedOnce(bring, first))));
    expect(asked).toHaveLength(0);
    await soon(begin);
    expect(asked).toHaveLength(1);
  });

  it('is done without where somebody is told that it could not be fetched', async () => {
    const { asked, bring } = brought();
    const onMissing = jest.fn();
    const { usePart } = fetchedOnce(bring);
    function Place(): ReactNode {
      return createElement(usePart(onMissing) ?? Waiting);
    }
    render(<Place />);
    await soon(() => asked[0]?.fail(new Error('no such file')));
    expect(onMissing).toHaveBeenCalledTimes(1);
    expect(screen.getByText('it is awaited')).toBeTruthy();
  });

  it('says where it is drawn that it could not be fetched, and is asked for again', async () => {
    const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const { asked, bring } = brought();
    const once = fetchedOnce(bring);
    const { unmount } = render(
      <ErrorBoundary at="here" what="the part">
        {createElement(placeOf(once))}
      </ErrorBoundary>,
    );
    await soon(() => asked[0]?.fail(new Error('no such file')));
    expect(screen.queryByText('it is awaited')).toBeNull();
    expect(screen.getByRole('alert').textContent).toContain('no such file');
    unmount();
    render(createElement(placeOf(once)));
    await soon(() => asked[1]?.arrive(Part));
    expect(screen.getByText('it is there')).toBeTruthy();
    quiet.mockRestore();
  });
});
