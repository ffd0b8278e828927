/** Copies that could not be read, with their reasons: look again, or set aside. */
import { useMutation, type UseMutationResult } from '@tanstack/react-query';
import { Button } from 'react-bootstrap';
import { describe, type FindingView, type ScanProgress, type ScanView } from '@clever-drawer/core';
import { useComputer, useScanProgress } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';

export function FailedList({ findings }: { findings: readonly FindingView[] }) {
  const { client } = useComputer();
  const scan = useScanProgress();
  const { notify } = useNotices();
  const trouble = (error: Error): void => {
    notify(error.message, 'trouble');
  };
  const again = useMutation({
    mutationFn: () => client.startScan('failed'),
    onSuccess: () => {
      notify(`Looking again at ${findings.length} that failed`, 'done');
    },
    onError: trouble,
  });
  const aside = useMutation({
    mutationFn: (finding: FindingView) => client.setAside(finding.copy ?? ''),
    onSuccess: (_, finding) => {
      notify(
        `${finding.name} is set aside. Its file is untouched; it can be taken back in Scan.`,
        'done',
      );
    },
    onError: trouble,
  });
  return (
    <section className="bulk" aria-label="Would not open">
      <FailedActs findings={findings} again={again} scan={scan} />
      <FailedRows findings={findings} aside={aside} />
    </section>
  );
}

interface FailedActsProps {
  readonly findings: readonly FindingView[];
  readonly again: UseMutationResult<ScanView, Error, void>;
  readonly scan: ScanProgress | null;
}

function FailedActs({ findings, again, scan }: FailedActsProps) {
  return (
    <div className="bulk-acts">
      <span>
        {findings.length} could not be read. Mend or reinstall them and look again, or set aside
        what you don't need.
      </span>
      <Button
        variant="quiet"
        onClick={() => {
          again.mutate();
        }}
      >
        {scan ? 'Looking …' : 'Look again at all of them'}
      </Button>
    </div>
  );
}

function FailedRows({
  findings,
  aside,
}: {
  readonly findings: readonly FindingView[];
  readonly aside: UseMutationResult<null, Error, FindingView>;
}) {
  return (
    <ul className="failed-rows" tabIndex={0} aria-label="Failed copies">
      {findings.map((finding) => (
        <li key={finding.id}>
          <span className="chip format">{finding.format}</span>
          <span className="what">
            <strong>{finding.name}</strong>
            <span className="text-brick">{finding.problem ? describe(finding.problem) : ''}</span>
          </span>
          <Button
            size="sm"
            variant="quiet"
            onClick={() => {
              aside.mutate(finding);
            }}
          >
            Set aside
          </Button>
        </li>
      ))}
    </ul>
  );
}
