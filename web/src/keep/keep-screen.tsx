/** Keep: points to return to, and the order out to other computers and files and in from them. */
import { useQuery } from '@tanstack/react-query';
import type { PointsView } from '@clever-drawer/core/api';
import { useComputer, useOrder } from '../studio/contexts.ts';
import { keepTabs } from '../studio/parts/screen-parts.ts';
import { PartTabs } from '../ui/part-tabs.tsx';
import { useAddress } from '../ui/use-address.ts';
import { BackupsTab } from './backups-tab.tsx';
import { CarryTab } from './carry-tab.tsx';
import { FilesTab } from './files-tab.tsx';
import { Points } from './points.tsx';
import { ReturnTab } from './return-tab.tsx';
import { ShelfTab } from './shelf-tab.tsx';
import './keep.css';
import * as texts from './texts.ts';
type Tab = (typeof keepTabs)[number][0];

export function KeepScreen() {
  const { client } = useComputer();
  const { order } = useOrder();
  const [params, show] = useAddress();
  const points = useQuery({
    queryKey: ['points', client.computer, order.revision],
    queryFn: client.points,
    placeholderData: (before: PointsView | undefined) => before,
  });
  if (!points.data) {
    return <main id="content" tabIndex={-1} aria-busy="true" />;
  }
  const tab: Tab = keepTabs.find(([id]) => id === params.get('tab'))?.[0] ?? 'return';
  const list = points.data.points;
  const chosen = list.find(({ id }) => id === params.get('point')) ?? list[0];
  return (
    <main id="content" tabIndex={-1} className="keep-screen">
      <Points
        view={points.data}
        chosen={tab === 'return' ? (chosen?.id ?? null) : null}
        onChoose={(point) => {
          show({ point, tab: 'return' });
        }}
      />
      <div className="keep-right">
        <PartTabs
          label={texts.whatToKeep}
          parts={keepTabs}
          shown={tab}
          onShow={(id) => {
            show({ tab: id });
          }}
        />
        {tab === 'return' && <ReturnTab point={chosen} points={list} />}
        {tab === 'carry' && <CarryTab />}
        {tab === 'files' && <FilesTab />}
        {tab === 'shelf' && <ShelfTab />}
        {tab === 'backups' && <BackupsTab />}
      </div>
    </main>
  );
}
