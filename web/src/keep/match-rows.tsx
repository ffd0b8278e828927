/** Plugins of which it is not quite clear what they are here, each with what would be taken. */
import { Dropdown } from 'react-bootstrap';
import type { MatchView } from '@clever-drawer/core';
import { MenuItem } from '../ui/menu-item.tsx';

interface Props {
  readonly matches: readonly MatchView[];
  readonly choices: Readonly<Record<string, string | null>>;
  readonly onChoose: (plugin: string, choice: string | null) => void;
}

/** Those that somebody has to look at first; shown at once. */
const urgency = { ask: 0, missing: 1, likely: 2, same: 3 } as const;
const rowsShown = 12;

export function MatchRows({ matches, choices, onChoose }: Props) {
  const rows = matches
    .filter(({ how, from }) => how !== 'same' || from.id in choices)
    .toSorted((a, b) => urgency[a.how] - urgency[b.how]);
  if (rows.length === 0) {
    return null;
  }
  const row = (match: MatchView) => (
    <MatchRow
      key={match.from.id}
      match={match}
      choice={choices[match.from.id]}
      onChoose={(choice) => {
        onChoose(match.from.id, choice);
      }}
    />
  );
  return (
    <div className="match-rows">
      <ul>{rows.slice(0, rowsShown).map(row)}</ul>
      {rows.length > rowsShown && (
        <details>
          <summary>{rows.length - rowsShown} more</summary>
          <ul>{rows.slice(rowsShown).map(row)}</ul>
        </details>
      )}
    </div>
  );
}

const rowWords = { same: 'chosen', likely: 'likely', ask: 'ask', missing: 'missing' } as const;

interface MatchRowProps {
  readonly match: MatchView;
  readonly choice: string | null | undefined;
  readonly onChoose: (choice: string | null) => void;
}

function MatchRow({ match, choice, onChoose }: MatchRowProps) {
  const { from, how } = match;
  return (
    <li className={how}>
      <span className="match-how">{choice === null ? 'left out' : rowWords[how]}</span>
      <span>
        <strong>{from.name}</strong> <Meaning match={match} isLeftOut={choice === null} />
      </span>
      <Dropdown align="end">
        <Dropdown.Toggle variant="quiet" size="sm" aria-label={`Choose what ${from.name} is`}>
          Choose
        </Dropdown.Toggle>
        <Dropdown.Menu className="keep-menu">
          {match.choices.map((one) => (
            <MenuItem
              key={one.plugin}
              onClick={() => {
                onChoose(one.plugin);
              }}
            >
              {one.name} <span className="text-soft">{one.formats.join(', ')}</span>
            </MenuItem>
          ))}
          <MenuItem
            onClick={() => {
              onChoose(null);
            }}
          >
            Leave it out
          </MenuItem>
        </Dropdown.Menu>
      </Dropdown>
    </li>
  );
}

/** What would be done with it, and why. */
function Meaning({ match, isLeftOut }: { readonly match: MatchView; readonly isLeftOut: boolean }) {
  const { how, choices, folders } = match;
  const [best] = choices;
  const where = folders.length > 0 ? ` in ${folders.slice(0, 2).join(' and ')}` : '';
  if (isLeftOut) {
    return <span className="text-soft">is not taken over.</span>;
  }
  if (how === 'missing' || !best) {
    return <span className="text-soft">keeps its place{where} until it is installed.</span>;
  }
  if (how === 'ask') {
    return (
      <span className="text-soft">
        may be{' '}
        {choices
          .map(({ name }) => name)
          .slice(0, 3)
          .join(' or ')}
        . Unless you choose, its place{where} waits.
      </span>
    );
  }
  return (
    <>
      → {best.name} <span className="chip format">{best.formats.join(', ')}</span>{' '}
      <span className="text-soft">{best.because}</span>
    </>
  );
}
