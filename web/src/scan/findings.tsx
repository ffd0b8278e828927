/** What the scans found, one scan at a time. */
import { useQuery } from '@tanstack/react-query';
import { useRef, type ReactNode } from 'react';
import { Button, Nav } from 'react-bootstrap';
import { Link, useSearchParams } from 'react-router';
import type { FindingView, ScanView } from '@clever-drawer/core/api';
import type { CopyId } from '@clever-drawer/core/id';
import { describe } from '@clever-drawer/core/problem';
import { findingKinds, type FindingKind } from '@clever-drawer/core/scan';
import { sinceTime } from '@clever-drawer/core/search';
import { WithMenu } from '../annotate/with-menu.tsx';
import { useComputer } from '../studio/contexts.ts';
import { useSetAside } from '../studio/use-set-aside.ts';
import { Faceplate } from '../ui/faceplate.tsx';
import { useLinesInView } from '../ui/lines-in-view.ts';
import { sayTime } from '../ui/time-words.ts';
import * as texts from './texts.ts';

export function Findings({ scans, hasPlaces }: { scans: readonly ScanView[]; hasPlaces: boolean }) {
  const { client } = useComputer();
  const [params, setParams] = useSearchParams();
  // A choice holds until there is a newer scan, which then stands in front.
  const latest = scans[0]?.id ?? '';
  const chosen = params.get('of') === latest ? params.get('scan') : null;
  const setChosen = (scan: string | null): void => {
    setParams(scan === null ? {} : { scan, of: latest });
  };
  const failed = useQuery({
    queryKey: ['findings', client.computer, failedNow],
    queryFn: client.failedNow,
  });
  const scan = scans.find((s) => s.id === chosen) ?? scans[0];
  const failedCount = failed.data?.length ?? 0;
  const isFailedShown = chosen === failedNow && failedCount > 0;
  if (!scan) {
    return (
      <div className="empty">
        <h2>{texts.nothingScannedYet}</h2>
        <p>{hasPlaces ? texts.pressScan : texts.addADirectoryWithPlugins}</p>
      </div>
    );
  }
  return (
    <>
      <FindingTabs
        isFailedShown={isFailedShown}
        scan={scan}
        setChosen={setChosen}
        scans={scans}
        failedCount={failedCount}
      />
      {isFailedShown ? <Rows findings={failed.data ?? []} /> : <FindingList scan={scan} />}
    </>
  );
}

interface FindingTabsProps {
  readonly isFailedShown: boolean;
  readonly scan: ScanView;
  readonly setChosen: (scan: string | null) => void;
  readonly scans: readonly ScanView[];
  readonly failedCount: number;
}

function FindingTabs({ isFailedShown, scan, setChosen, scans, failedCount }: FindingTabsProps) {
  return (
    <Nav
      as="ul"
      className="scan-tabs"
      activeKey={isFailedShown ? failedNow : scan.id}
      onSelect={setChosen}
    >
      {scans.slice(0, 5).map((s) => (
        <Tab key={s.id} id={s.id} isCurrent={!isFailedShown && s.id === scan.id}>
          {sayTime(s.startedAt)} · {total(s)}
        </Tab>
      ))}
      {failedCount > 0 && (
        <Tab id={failedNow} isCurrent={isFailedShown}>
          <span className="text-brick">{texts.failedNow(failedCount)}</span>
        </Tab>
      )}
    </Nav>
  );
}

interface TabProps {
  readonly id: string;
  readonly isCurrent: boolean;
  readonly children: ReactNode;
}

function Tab({ id, isCurrent, children }: TabProps) {
  return (
    <Nav.Item as="li">
      <Nav.Link
        as="button"
        type="button"
        eventKey={id}
        aria-current={isCurrent ? 'true' : undefined}
      >
        {children}
      </Nav.Link>
    </Nav.Item>
  );
}

const total = (scan: ScanView): number =>
  findingKinds.reduce((sum, sort) => sum + scan.counts[sort], 0);

/** The tab of what is failed now, whichever scan it failed in. */
const failedNow = 'failed';

/** Failed ones first: they are to look at. Then what arrived, and so on. */
const rank: Record<FindingKind, number> = {
  failed: 0,
  arrived: 1,
  returned: 2,
  updated: 3,
  moved: 4,
  away: 5,
  gone: 6,
  opened: 7,
};

function FindingList({ scan }: { scan: ScanView }) {
  const { client } = useComputer();
  const findings = useQuery({
    queryKey: ['findings', client.computer, scan.id],
    queryFn: () => client.findings(scan.id),
  });
  const list = [...(findings.data ?? [])].sort((a, b) => rank[a.sort] - rank[b.sort]);
  const counts = findingKinds
    .filter((sort) => scan.counts[sort] > 0)
    .map((sort) => `${scan.counts[sort]} ${texts.findingNames[sort].toLowerCase()}`)
    .join(' · ');
  const shownOf =
    list.length < total(scan) && findings.data ? texts.showingTheFirst(list.length) : '';
  return (
    <>
      <p className="text-soft visually-quiet scan-counts">
        {counts || texts.nothingNew}
        {scan.counts.unchanged > 0 && texts.unchanged(scan.counts.unchanged)}
        {scan.state === 'stopped' && texts.stoppedBeforeTheEnd}.{shownOf}
        {scan.counts.arrived > 0 && (
          <>
            {' '}
            <Link to={`/file?arrived=${encodeURIComponent(`${sinceTime}${scan.startedAt}`)}`}>
              {texts.showWhatArrivedInFile}
            </Link>
          </>
        )}
      </p>
      {list.length === 0 && findings.data && (
        <p className="empty">
          {scan.state === 'running' ? texts.nothingNewSoFar : texts.everythingIsAsItWas}
        </p>
      )}
      {list.length > 0 && <Rows findings={list} />}
      <p className="text-soft visually-quiet">{texts.nothingYouFiledIsLost}</p>
    </>
  );
}

/** Findings, drawn only where they are in view. */
function Rows({ findings }: { findings: readonly FindingView[] }) {
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useLinesInView({
    count: findings.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 58,
  });
  return (
    <div ref={scroller} className="findings" tabIndex={0} role="region" aria-label={texts.findings}>
      <ul style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((row) => {
          const finding = findings[row.index];
          return (
            finding && (
              <li
                key={finding.id}
                ref={rows.measureElement}
                data-index={row.index}
                style={{ transform: `translateY(${row.start}px)` }}
              >
                <FindingRow finding={finding} />
              </li>
            )
          );
        })}
      </ul>
    </div>
  );
}

function FindingRow({ finding }: { finding: FindingView }) {
  return finding.plugin === null ? (
    <div className="finding-row">
      <FindingWords finding={finding} />
    </div>
  ) : (
    <WithMenu plugins={[finding.plugin]} className="finding-row">
      <FindingWords finding={finding} />
    </WithMenu>
  );
}

function FindingWords({ finding }: { finding: FindingView }) {
  return (
    <>
      <span className={`sort hand ${finding.sort}`}>{texts.findingNames[finding.sort]}</span>
      <Faceplate seed={finding.plugin ?? finding.path} width={40} />
      <span className="what">
        <strong>{finding.name}</strong>
        <span className={finding.problem ? 'text-brick' : 'text-soft'}>{detail(finding)}</span>
        {finding.problem && <FailedPath finding={finding} />}
      </span>
      {finding.copy !== null && <SetAside copy={finding.copy} name={finding.name} />}
      {finding.plugin !== null && finding.sort !== 'gone' && (
        <Link to={`/file?q=${encodeURIComponent(finding.name)}`} className="btn btn-quiet btn-sm">
          {texts.showInFile}
        </Link>
      )}
    </>
  );
}

/** Where a copy that failed lies, unless its reason has said so. */
function FailedPath({ finding: { path, problem } }: { readonly finding: FindingView }) {
  return problem && describe(problem).includes(path) ? null : (
    <code className="failed-path">{path}</code>
  );
}

/** Neither examined nor catalogued from now on, until it is taken back. */
function SetAside({ copy, name }: { copy: CopyId; name: string }) {
  const setAside = useSetAside();
  return (
    <Button
      size="sm"
      variant="quiet"
      onClick={() => {
        setAside(copy, texts.isSetAside(name));
      }}
    >
      {texts.setAside}
    </Button>
  );
}

function detail(finding: FindingView): string {
  if (finding.problem) {
    return describe(finding.problem);
  }
  const from = finding.from ?? texts.noVersion;
  const to = finding.to ?? texts.noVersion;
  switch (finding.sort) {
    case 'updated':
      return from === to
        ? texts.changedVersionAsBefore(finding.format, to)
        : `${from} → ${to} · ${finding.format}`;
    case 'opened':
      return [from === to ? null : texts.fromWas(from), finding.vendor, finding.format]
        .filter((part) => part !== null)
        .join(' · ');
    case 'moved':
      return texts.formatFrom(finding.format, from);
    case 'away':
      return texts.itsPlaceCannotBeReached(finding.format);
    case 'gone':
      return texts.formatWasPath(finding.format, finding.path);
    case 'arrived':
    case 'returned':
    case 'failed':
      return [finding.vendor ?? texts.noVendorNamed, finding.format, finding.to]
        .filter((part) => part !== null)
        .join(' · ');
    default:
      return finding.sort satisfies never;
  }
}
