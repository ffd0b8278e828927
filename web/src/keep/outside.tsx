/** What of the order lies outside the database, and whether it is as it should be. */
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { viewBackups } from '../api/client.ts';
import { useComputer, useOrder } from '../studio/contexts.ts';
import { sayTime } from '../ui/time-words.ts';
import * as texts from './texts.ts';

export function Outside() {
  const { client } = useComputer();
  const { order } = useOrder();
  const backups = useQuery({ queryKey: ['backups'], queryFn: viewBackups });
  const shelf = useQuery({
    queryKey: ['shelf', client.computer, order.revision],
    queryFn: client.shelf,
  });
  const [newest] = backups.data?.backups ?? [];
  const isWrong = backups.data?.isOld === true || (backups.data?.trouble ?? null) !== null;
  return (
    <>
      <h2>{texts.outsideThisProgram}</h2>
      <ul className="keep-outside">
        {backups.data && (
          <li>
            <Link to="/keep?tab=backups">{texts.newestBackup}</Link>{' '}
            <span className={isWrong ? 'keep-warn' : ''}>
              {isWrong && '⚠ '}
              {newest ? texts.readBack(sayTime(newest.at)) : texts.noneYet}
              {backups.data.trouble !== null && texts.andTheLastOneFailed}
            </span>
          </li>
        )}
        {shelf.data?.settings && (
          <li>
            <Link to="/keep?tab=shelf">{texts.shelfOnDisk}</Link>{' '}
            {shelf.data.last?.trouble ? (
              <span className="keep-warn">{texts.outOfDate}</span>
            ) : (
              texts.upToDate
            )}
          </li>
        )}
      </ul>
    </>
  );
}
