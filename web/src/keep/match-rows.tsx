/** Plugins of which it is not quite clear what they are here, each with what would be taken. */
import { Dropdown } from 'react-bootstrap';
import type { MatchView } from '@clever-drawer/core/api';
import { MenuItem } from '../ui/menu-item.tsx';
import * as texts from './texts.ts';

interface Props {
  readonly matches: readonly MatchView[];
  readonly choices: Readonly<Record<string, string | null>>;
  readonly onChoose: (plugin: string, choice: string | null) => void;
}
/** Rows of a group that stand open; more open by themselves. */
const rowsShown = 200;

export function MatchRows({ matches, choices, onChoose }: Props) {
  return (
    <div className="match-rows">
      {texts.matchGroups.map(([how, words]) => {
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

interface MatchRowProps {
  readonly match: MatchView;
  readonly choice: string | null | undefined;
  readonly onChoose: (choice: string | null) => void;
}

function MatchRow({ match, choice, onChoose }: MatchRowProps) {
  const { from, how } = match;
  return (
    <li>
      <span className="match-how">{choice === null ? texts.leftOut : texts.rowWords[how]}</span>
      <span>
        <strong>{from.name}</strong> <Meaning match={match} isLeftOut={choice === null} />
      </span>
      <Dropdown align="end">
        <Dropdown.Toggle variant="quiet" size="sm" aria-label={texts.chooseAMatchFor(from.name)}>
          {texts.choose}
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
            {texts.leaveItOut}
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
  const where = folders.length > 0 ? texts.foldersIn(folders.slice(0, 2).join(' and ')) : '';
  if (isLeftOut) {
    return <span className="text-soft">{texts.isLeftOut}</span>;
  }
  if (how === 'missing' || !best) {
    return <span className="text-soft">{texts.keepsItsPlaceUntil(where)}</span>;
  }
  if (how === 'ask') {
    return (
      <span className="text-soft">
        {texts.mayBeUntilYouChoose(
          choices
            .map(({ name }) => name)
            .slice(0, 3)
            .join(' or '),
          where,
        )}
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
