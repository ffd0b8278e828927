/** Copies that could not be read, with their reasons: look again, or set aside. */
import { useMutation, type UseMutationResult } from '@tanstack/react-query';
import { Button } from 'react-bootstrap';
import type { FindingView, ScanProgress, ScanView } from '@clever-drawer/core/api';
import type { CopyId } from '@clever-drawer/core/id';
import { describe } from '@clever-drawer/core/problem';
import { useComputer, useScanProgress } from '../studio/contexts.ts';
import { useNotifyError } from '../studio/notify-error.ts';
import { useSetAside } from '../studio/use-set-aside.ts';
import { useNotices } from '../ui/notices.tsx';
import * as texts from './texts.ts';

export function FailedList({ findings }: { findings: readonly FindingView[] }) {
  const { client } = useComputer();
  const scan = useScanProgress();
  const { notify } = useNotices();
  const again = useMutation({
    mutationFn: () => client.startScan('failed'),
    onSuccess: () => {
      notify(texts.tryingFailedAgain(findings.length), 'done');
    },
    onError: useNotifyError(),
  });
  return (
    <section className="bulk" aria-label={texts.wouldNotOpen}>
      <FailedActs findings={findings} again={again} scan={scan} />
      <FailedRows findings={findings} />
    </section>
  );
}

interface FailedActsProps {
  readonly findings: readonly FindingView[];
  readonly again: UseMutationResult<ScanView, unknown, void>;
  readonly scan: ScanProgress | null;
}

function FailedActs({ findings, again, scan }: FailedActsProps) {
  return (
    <div className="bulk-acts">
      <span>{texts.couldNotBeReadOrOpened(findings.length)}</span>
      <Button
        variant="quiet"
        onClick={() => {
          again.mutate();
        }}
      >
        {scan ? texts.trying : texts.tryAllAgain}
      </Button>
    </div>
  );
}

function FailedRows({ findings }: { readonly findings: readonly FindingView[] }) {
  return (
    <ul className="failed-rows" tabIndex={0} aria-label={texts.failedCopies}>
      {findings.map((finding) => (
        <li key={finding.id}>
          <span className="chip format">{finding.format}</span>
          <span className="what">
            <strong>{finding.name}</strong>
            <span className="text-brick">{finding.problem ? describe(finding.problem) : ''}</span>
            {!(finding.problem && describe(finding.problem).includes(finding.path)) && (
              <code className="failed-path">{finding.path}</code>
            )}
          </span>
          {finding.copy !== null && <SetAside copy={finding.copy} name={finding.name} />}
        </li>
      ))}
    </ul>
  );
}

function SetAside({ copy, name }: { readonly copy: CopyId; readonly name: string }) {
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
