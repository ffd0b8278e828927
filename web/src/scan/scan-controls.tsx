/** Starting, following and stopping a scan. */
import { useMutation, useQueryClient, type UseMutationResult } from '@tanstack/react-query';
import { Radar, Square } from 'lucide-react';
import { Button } from 'react-bootstrap';
import type { ScanMode, ScanProgress, ScanView } from '@clever-drawer/core/api';
import { useComputer } from '../studio/contexts.ts';
import { sayTime } from '../ui/time-words.ts';
import { Progress } from '../ui/progress.tsx';
import { useNotices } from '../ui/notices.tsx';
import * as texts from './texts.ts';

interface Props {
  readonly hasPlaces: boolean;
  readonly progress: ScanProgress | null;
  readonly latest: ScanView | undefined;
  /** How many copies are failed now. */
  readonly failed: number;
}

export function ScanControls({ hasPlaces, progress, latest, failed }: Props) {
  const { client } = useComputer();
  const { notify } = useNotices();
  const queries = useQueryClient();
  const again = (): void => {
    void queries.invalidateQueries({ queryKey: ['scans', client.computer] });
  };
  const onError = (error: Error): void => {
    notify(error.message, 'trouble');
  };
  const start = useMutation({
    mutationFn: (mode: ScanMode) => client.startScan(mode),
    onSettled: again,
    onError,
  });
  const stop = useMutation({ mutationFn: client.stopScan, onSettled: again, onError });
  if (progress) {
    return (
      <>
        <Running progress={progress} />
        <Button
          variant="quiet"
          onClick={() => {
            stop.mutate();
          }}
        >
          <Square size={14} aria-hidden /> {stop.isPending ? texts.stopping : texts.stop}
        </Button>
      </>
    );
  }
  return (
    <>
      <ScanStart hasPlaces={hasPlaces} start={start} latest={latest} />
      {latest && <ScanModes start={start} failed={failed} />}
      {latest && latest.problems.length > 0 && <NotLookedInto problems={latest.problems} />}
    </>
  );
}

interface ScanStartProps {
  readonly hasPlaces: boolean;
  readonly start: UseMutationResult<ScanView, Error, ScanMode>;
  readonly latest: ScanView | undefined;
}

function ScanStart({ hasPlaces, start, latest }: ScanStartProps) {
  return (
    <div className="scan-start">
      <Button
        variant={hasPlaces ? 'primary' : 'quiet'}
        onClick={() => {
          start.mutate('changed');
        }}
      >
        <Radar size={16} aria-hidden /> {latest ? texts.scanAgain : texts.scan}
      </Button>
      <span className="text-soft">{hasPlaces ? sayLatest(latest) : texts.addAPlaceFirst}</span>
    </div>
  );
}

/** What the last scan could not look into: what is there keeps the state it had. */
function NotLookedInto({ problems }: { readonly problems: readonly string[] }) {
  return (
    <details className="not-looked-into">
      <summary>{texts.couldNotBeLookedInto(problems.length)}</summary>
      <ul>
        {problems.map((problem) => (
          <li key={problem}>{problem}</li>
        ))}
      </ul>
    </details>
  );
}

function ScanModes({
  start,
  failed,
}: {
  readonly start: UseMutationResult<ScanView, Error, ScanMode>;
  readonly failed: number;
}) {
  return (
    <div className="scan-modes">
      <Button
        variant="bare"
        size="sm"
        onClick={() => {
          start.mutate('everything');
        }}
      >
        {texts.examineEverythingAgain}
      </Button>
      {failed > 0 && (
        <Button
          variant="bare"
          size="sm"
          onClick={() => {
            start.mutate('failed');
          }}
        >
          {texts.onlyTheThatFailed(failed)}
        </Button>
      )}
    </div>
  );
}

function sayLatest(scan: ScanView | undefined): string {
  if (!scan) {
    return texts.notScannedYet;
  }
  if (scan.state === 'stopped') {
    return texts.theLastScanWasStopped;
  }
  if (scan.state === 'interrupted') {
    return texts.theLastScanWasInterrupted;
  }
  return texts.lastScanOnlyChangesSince(sayTime(scan.startedAt));
}

function Running({ progress }: { progress: ScanProgress }) {
  const { place, examining, done, total, unchanged, failed, isOpening, secondsLeft } = progress;
  const left =
    secondsLeft === null || total === null
      ? ''
      : texts.aboutLeft(secondsLeft, Math.ceil(secondsLeft / 60));
  return (
    <div className="running" role="status">
      <div className="running-head">
        <strong>
          {texts.scanning} <span className="mono">{place}</span>
        </strong>
        <span>{total === null ? texts.findingPlugins : texts.doneOfTotal(done, total, left)}</span>
      </div>
      <Progress name={texts.scan} now={total === null ? 0 : done} max={Math.max(1, total ?? 1)} />
      <div className="text-soft visually-quiet">
        {examining === '' ? (
          texts.comparing
        ) : (
          <>
            {isOpening ? texts.opening : texts.reading} <span className="mono">{examining}</span>
          </>
        )}
        {unchanged > 0 && texts.unchangedSkipped(unchanged)}
        {failed > 0 && texts.andFailed(failed)}
      </div>
    </div>
  );
}
