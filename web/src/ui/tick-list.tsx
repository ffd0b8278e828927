/** Things that are ticked one by one or all at once, before something is done to them. */
import { useId, type ReactNode } from 'react';

/** One thing to tick. */
export interface Tickable {
  readonly id: string;
  readonly name: string;
  readonly show: ReactNode;
}

interface Props {
  /** What all of them are, for screen readers. */
  readonly label: string;
  readonly items: readonly Tickable[];
  readonly ticked: ReadonlySet<string>;
  readonly onTick: (ticked: ReadonlySet<string>) => void;
  /** "3 of 12", beside the box for all. */
  readonly count: string;
}

export function TickList({ label, items, ticked, onTick, count }: Props) {
  const id = useId();
  const tick = (item: string, isTicked: boolean): void => {
    onTick(new Set(isTicked ? [...ticked, item] : [...ticked].filter((one) => one !== item)));
  };
  return (
    <fieldset className="tick-list" aria-label={label}>
      <TickAll items={items} ticked={ticked} onTick={onTick} count={count} />
      <ul>
        {items.map((item, at) => (
          <li key={item.id}>
            <input
              id={`${id}-${at}`}
              type="checkbox"
              className="form-check-input"
              checked={ticked.has(item.id)}
              aria-label={item.name}
              onChange={({ target }) => {
                tick(item.id, target.checked);
              }}
            />
            <label htmlFor={`${id}-${at}`}>{item.show}</label>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}

function TickAll({ items, ticked, onTick, count }: Omit<Props, 'label'>) {
  const isAll = ticked.size === items.length;
  return (
    <label className="tick-all">
      <input
        type="checkbox"
        className="form-check-input"
        checked={isAll}
        ref={(box) => {
          if (box) {
            box.indeterminate = !isAll && ticked.size > 0;
          }
        }}
        onChange={() => {
          onTick(new Set(isAll ? [] : items.map(({ id }) => id)));
        }}
      />
      <span>{count}</span>
    </label>
  );
}
