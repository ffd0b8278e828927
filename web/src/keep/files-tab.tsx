/** The order as a file of one's own: written, and read. */
import { Download, FileInput } from 'lucide-react';
import { useRef, useState, type DragEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { useWriteTable } from '../annotate/use-write-table.ts';
import { useComputer } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';
import { fileText } from './model/file-text.ts';
import { TakeIn } from './take-in.tsx';
import * as texts from './texts.ts';

interface Opened {
  readonly name: string;
  readonly text: string;
}

export function FilesTab() {
  const { client, computer } = useComputer();
  const [opened, setOpened] = useState<Opened | null>(null);
  const writeTable = useWriteTable();
  const [withLoads, setWithLoads] = useState(false);
  return (
    <>
      <section className="keep-sheet" aria-labelledby="write-title">
        <h2 id="write-title">{texts.exportIt}</h2>
        <p className="text-soft">{texts.theWholeOrder(computer.name)}</p>
        <Form.Check
          id="with-loads"
          checked={withLoads}
          onChange={() => {
            setWithLoads(!withLoads);
          }}
          label={
            <>
              {texts.withLoadsAndHabits}{' '}
              <span className="text-soft">{texts.whenWhereAndByWhich}</span>
            </>
          }
        />
        <div className="keep-acts">
          <a
            className="btn btn-primary"
            href={client.documentAddress(withLoads)}
            download={`${computer.name}.json`}
          >
            <Download size={16} aria-hidden /> {texts.exportTheDocument}
          </a>
          <a
            className="btn btn-quiet"
            href={client.outlineAddress}
            download={`${computer.name}.opml`}
          >
            {texts.asAnOutlineOpml}
          </a>
          <Button
            variant="quiet"
            onClick={() => {
              writeTable(null);
            }}
          >
            {texts.asATableCsv}
          </Button>
          <a
            className="btn btn-quiet"
            href={client.copiesAddress}
            download={`${computer.name}.ndjson`}
          >
            {texts.itsCopiesAsLines}
          </a>
          <Link className="btn btn-quiet" to="/chart">
            {texts.aPageToPrint}
          </Link>
        </div>
      </section>
      <section className="keep-sheet" aria-labelledby="read-title">
        <h2 id="read-title">{texts.importIt}</h2>
        <p className="text-soft">{texts.aDocumentOrOutline}</p>
        <ChooseFile onOpen={setOpened} />
      </section>
      {opened && (
        <TakeIn
          key={opened.text}
          source={{ text: opened.text, form: formOf(opened.name) }}
          title={`${opened.name} → ${computer.name}`}
          onDone={() => {
            setOpened(null);
          }}
        />
      )}
    </>
  );
}

/** What a file is, by its ending. */
function formOf(name: string): 'document' | 'outline' | 'table' {
  if (/\.(opml|xml)$/i.test(name)) {
    return 'outline';
  }
  return /\.csv$/i.test(name) ? 'table' : 'document';
}

function ChooseFile({ onOpen }: { readonly onOpen: (opened: Opened) => void }) {
  const chooser = useRef<HTMLInputElement>(null);
  const [isOver, setOver] = useState(false);
  const { notify } = useNotices();
  const take = (file: File | undefined): void => {
    setOver(false);
    void file?.arrayBuffer().then((buffer) => {
      const text = fileText(new Uint8Array(buffer));
      if (text === null) {
        notify(texts.isInAnotherEncoding(file.name), 'trouble');
      } else {
        onOpen({ name: file.name, text });
      }
    });
  };
  return (
    <div
      className={`take-drop ${isOver ? 'over' : ''}`}
      onDragOver={(event: DragEvent) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => {
        setOver(false);
      }}
      onDrop={(event: DragEvent) => {
        event.preventDefault();
        take(event.dataTransfer.files[0]);
      }}
    >
      <Button
        variant="quiet"
        onClick={() => {
          chooser.current?.click();
        }}
      >
        <FileInput size={16} aria-hidden /> {texts.chooseAFile}
      </Button>
      <span className="text-soft">{texts.orDropItHere}</span>
      <input
        ref={chooser}
        type="file"
        accept=".json,.opml,.xml,.csv,application/json,text/csv"
        className="visually-hidden"
        tabIndex={-1}
        aria-label={texts.documentOfAnOrder}
        onChange={(event) => {
          take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </div>
  );
}
