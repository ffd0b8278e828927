/** What would come, go and be otherwise, line by line. */
import type { ChangeLine, DescribedChange } from '@clever-drawer/core/exchange';
import * as texts from './texts.ts';

interface Props {
  readonly change: DescribedChange;
  readonly way: keyof typeof texts.wayWords;
}

/** Names shown of those that come or go; the others open below. */
const namesShown = 6;
/** Lines shown at once. */
const linesShown = 200;

export function ChangeLines({ change: { lines, stays }, way }: Props) {
  if (lines.length === 0) {
    return <p className="keep-same">{texts.nothingWouldChange}</p>;
  }
  return (
    <table className="change-lines">
      <caption className="visually-hidden">{texts.whatWouldChange}</caption>
      <tbody>
        {lines.slice(0, linesShown).map((line, at) => (
          <tr key={`${at} ${line.words}`}>
            <th scope="row" className={line.what}>
              {texts.wayWords[way][line.what]}
            </th>
            <td>
              <Words line={line} />
            </td>
          </tr>
        ))}
        {lines.length > linesShown && (
          <tr>
            <th scope="row">{texts.and}</th>
            <td>{texts.lineMore(lines.length - linesShown)}</td>
          </tr>
        )}
        <tr className="stays">
          <th scope="row">{texts.stays}</th>
          <td>{texts.folderWithFiled(stays.folders, stays.placements)}</td>
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
          <summary>{texts.andMore(rest.length)}</summary>
          {rest.join(', ')}
        </details>
      )}
    </>
  );
}
