/** Reading in the copies of another computer: what to run there, and where to put what came of it. */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Download, FileInput } from 'lucide-react';
import { useEffect, useRef, useState, type DragEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { TakenView } from '@clever-drawer/core/api';
import { Refused, takeCopies } from '../api/client.ts';
import { useComputer } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';
import { useLatest } from '../ui/use-latest.ts';
import { scannerCommand, takenWords } from './model/taken-words.ts';
import * as texts from './texts.ts';

/** `name` is the computer that is brought up to date; empty for another one. */
export function TakeCopies({ name: given }: { readonly name: string }) {
  const [name, setName] = useState(given);
  const [isNameMissing, setNameMissing] = useState(false);
  const { trouble, take, acceptGone, isBusy } = useTaking(name);
  const isReady = (): boolean => {
    setNameMissing(name.trim() === '');
    return name.trim() !== '' && !isBusy;
  };
  const words = isNameMissing ? texts.enterTheComputersNameFirst : trouble;
  return (
    <section className="take" aria-label={texts.anotherComputer}>
      <HowToScan />
      {given === '' && (
        <NameField
          name={name}
          onName={(next) => {
            setName(next);
            setNameMissing(false);
          }}
        />
      )}
      <Drop isReady={isReady} isBusy={isBusy} onLines={take} />
      {words !== null && (
        <p className="text-brick" role="alert">
          {words}{' '}
          {acceptGone && (
            <Button size="sm" variant="quiet" onClick={acceptGone}>
              {texts.importAndMarkThemGone}
            </Button>
          )}
        </p>
      )}
    </section>
  );
}

function HowToScan() {
  return (
    <ol className="take-steps">
      <li>
        <a href="/clever-drawer-scan.mjs" download>
          <Download size={15} aria-hidden /> {texts.downloadTheScanner}
        </a>{' '}
        {texts.andCarryItToTheOther}
      </li>
      <li>
        {texts.runItThere} <code>{scannerCommand}</code>
      </li>
      <li>{texts.bringTheFileItWrites}</li>
    </ol>
  );
}

interface Taking {
  readonly lines: Blob;
  /** Whether copies that the file lacks may be marked as gone, however many. */
  readonly mayGo: boolean;
}

/** Takes the lines; afterwards the window shows that computer. */
function useTaking(name: string) {
  const { computer, chooseComputer } = useComputer();
  const { notify } = useNotices();
  const queries = useQueryClient();
  const taking = useMutation({
    mutationFn: ({ lines, mayGo }: Taking) => takeCopies(name, lines, mayGo),
    onSuccess: async (taken: TakenView) => {
      notify(takenWords(taken), 'done');
      await queries.invalidateQueries({ queryKey: ['computers'] });
      if (taken.computer.id === computer.id) {
        await queries.invalidateQueries();
      } else {
        chooseComputer(taken.computer.id);
      }
    },
  });
  const { error, variables } = taking;
  const isAsked =
    error instanceof Refused && error.problems.some(({ code }) => code === 'many-gone');
  return {
    take: (lines: Blob) => {
      taking.mutate({ lines, mayGo: false });
    },
    /** Imports the same file though much of what is known would go; null where that isn't asked. */
    acceptGone:
      isAsked && variables
        ? () => {
            taking.mutate({ ...variables, mayGo: true });
          }
        : null,
    isBusy: taking.isPending,
    trouble: error ? error.message : null,
  };
}

interface DropProps {
  /** Whether lines can be taken now; where not, it says what is missing. */
  readonly isReady: () => boolean;
  readonly isBusy: boolean;
  readonly onLines: (lines: Blob) => void;
}

/** What is pasted anywhere but into a field. */
function usePasted(take: (lines: Blob) => void): void {
  const latest = useLatest(take);
  useEffect(() => {
    const listen = (event: ClipboardEvent): void => {
      const isField =
        event.target instanceof HTMLElement && event.target.matches('input, textarea');
      const [file] = event.clipboardData?.files ?? [];
      const text = event.clipboardData?.getData('text') ?? '';
      if (!isField && (file || text !== '')) {
        latest(file ?? new Blob([text]));
      }
    };
    window.addEventListener('paste', listen);
    return () => {
      window.removeEventListener('paste', listen);
    };
  }, [latest]);
}

/** A file that is chosen or dropped, or lines that are pasted. */
function Drop({ isReady, isBusy, onLines }: DropProps) {
  const [isOver, setOver] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);
  const take = (lines: Blob | null | undefined): void => {
    setOver(false);
    if (lines && isReady()) {
      onLines(lines);
    }
  };
  usePasted(take);
  const dropped = (event: DragEvent): void => {
    event.preventDefault();
    take(event.dataTransfer.files[0]);
  };
  return (
    <div
      className={`take-drop ${isOver ? 'over' : ''}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => {
        setOver(false);
      }}
      onDrop={dropped}
    >
      <Button
        variant="quiet"
        onClick={() => {
          if (isReady()) {
            chooser.current?.click();
          }
        }}
      >
        <FileInput size={16} aria-hidden />{' '}
        {isBusy ? texts.readingTheFile : texts.chooseCopiesNdjson}
      </Button>
      <span className="text-soft">{texts.orDropItHere}</span>
      <input
        ref={chooser}
        type="file"
        accept=".ndjson,.jsonl,.txt,application/x-ndjson"
        className="visually-hidden"
        tabIndex={-1}
        aria-label={texts.fileOfCopies}
        onChange={(event) => {
          take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </div>
  );
}

interface NameFieldProps {
  readonly name: string;
  readonly onName: (name: string) => void;
}

function NameField({ name, onName }: NameFieldProps) {
  return (
    <Form.Group controlId="take-name" className="take-name">
      <Form.Label>{texts.nameOfThatComputer}</Form.Label>
      <Form.Control
        value={name}
        maxLength={200}
        autoComplete="off"
        placeholder={texts.mixingRoom}
        onChange={(event) => {
          onName(event.target.value);
        }}
      />
    </Form.Group>
  );
}
