/** What would come, go and be otherwise, line by line. */
import { plural, type ChangeLine, type DescribedChange } from '@clever-drawer/core';

/** What the ways are called where one returns, and where something is read in. */
const wayWords = {
  return: { comes: 'Comes back', goes: 'Would go', changes: 'As it was' },
  read: { comes: 'Comes', goes: 'Would go', changes: 'Changes' },
} as const;

interface Props {
  readonly change: DescribedChange;
  readonly way: keyof typeof wayWords;
}

/** Names shown of those that come or go; the others open below. */
const namesShown = 6;
/** Lines shown at once. */
const linesShown = 200;

export function ChangeLines({ change: { lines, stays }, way }: Props) {
  if (lines.length === 0) {
    return <p className="keep-same">Nothing would change: both are the same.</p>;
  }
  return (
    <table className="change-lines">
      <caption className="visually-hidden">What would change</caption>
      <tbody>
        {lines.slice(0, linesShown).map((line, at) => (
          <tr key={`${at} ${line.words}`}>
            <th scope="row" className={line.what}>
              {wayWords[way][line.what]}
            </th>
            <td>
              <Words line={line} />
            </td>
          </tr>
        ))}
        {lines.length > linesShown && (
          <tr>
            <th scope="row">And</th>
            <td>{plural(lines.length - linesShown, 'line')} more.</td>
          </tr>
        )}
        <tr className="stays">
          <th scope="row">Stays</th>
          <td>
            {plural(stays.folders, 'folder')} with {plural(stays.placements, 'plugin')} filed; loads
            and habits
          </td>
        </tr>
      </tbody>
    </table>
  );
}

function Words({ line: { words, plugins, about } }: { readonly line: ChangeLine }) {
  if (plugins.length === 0 || about === 'plugin') {
    return words;
  }
  const rest = plugins.slice(namesShown);
  return (
    <>
      {words}: <span className="text-soft">{plugins.slice(0, namesShown).join(', ')}</span>
      {rest.length > 0 && (
        <details className="more-names">
          <summary>and {rest.length} more</summary>
          {rest.join(', ')}
        </details>
      )}
    </>
  );
}
