/** Plugins of which it is not quite clear what they are here, each with what would be taken. */
import { Dropdown } from 'react-bootstrap';
import type { MatchView } from '@clever-drawer/core';
import { MenuItem } from '../ui/menu-item.tsx';

interface Props {
  readonly matches: readonly MatchView[];
  readonly choices: Readonly<Record<string, string | null>>;
  readonly onChoose: (plugin: string, choice: string | null) => void;
}

/** Those that somebody has to look at come first, and stand open. */
const groups = [
  ['ask', 'to ask'],
  ['likely', 'likely: what is taken, and why'],
  ['missing', 'missing: their places wait'],
  ['same', 'chosen by you'],
] as const;
/** Rows of a group that stand open; more open by themselves. */
const rowsShown = 200;

export function MatchRows({ matches, choices, onChoose }: Props) {
  return (
    <div className="match-rows">
      {groups.map(([how, words]) => {
        const rows = matches.filter(
          (match) => match.how === how && (how !== 'same' || match.from.id in choices),
        );
        return (
          rows.length > 0 && (
            <details key={how} open={how === 'ask' || how === 'same'}>
              <summary>
                {rows.length} {words}
              </summary>
              <ul>
                {rows.slice(0, rowsShown).map((match) => (
                  <MatchRow
                    key={match.from.id}
                    match={match}
                    choice={choices[match.from.id]}
                    onChoose={(choice) => {
                      onChoose(match.from.id, choice);
                    }}
                  />
                ))}
              </ul>
            </details>
          )
        );
      })}
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
    <li>
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
