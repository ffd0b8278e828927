/** The order as a file of one's own: written, and read. */
import { Download, FileInput } from 'lucide-react';
import { useRef, useState, type DragEvent } from 'react';
import { Button } from 'react-bootstrap';
import { useComputer } from '../studio/contexts.ts';
import { TakeIn } from './take-in.tsx';

interface Opened {
  readonly name: string;
  readonly text: string;
}

export function FilesTab() {
  const { client, computer } = useComputer();
  const [opened, setOpened] = useState<Opened | null>(null);
  return (
    <>
      <section className="keep-sheet" aria-labelledby="write-title">
        <h2 id="write-title">Write</h2>
        <p className="text-soft">
          The whole order of {computer.name} as one document: cabinets, folders, rules, names, and
          all that you said of plugins. It is plain JSON, documented, and readable without Clever
          Drawer.
        </p>
        <div className="keep-acts">
          <a
            className="btn btn-primary"
            href={client.documentAddress(null)}
            download={`${computer.name}.json`}
          >
            <Download size={16} aria-hidden /> Write the document
          </a>
        </div>
      </section>
      <section className="keep-sheet" aria-labelledby="read-title">
        <h2 id="read-title">Read</h2>
        <p className="text-soft">
          A document of this or another computer. You see what would change before anything does.
        </p>
        <ChooseFile onOpen={setOpened} />
      </section>
      {opened && (
        <TakeIn
          key={opened.text}
          source={{ text: opened.text }}
          title={`${opened.name} → ${computer.name}`}
          onDone={() => {
            setOpened(null);
          }}
        />
      )}
    </>
  );
}

function ChooseFile({ onOpen }: { readonly onOpen: (opened: Opened) => void }) {
  const chooser = useRef<HTMLInputElement>(null);
  const [isOver, setOver] = useState(false);
  const take = (file: File | undefined): void => {
    setOver(false);
    void file?.text().then((text) => {
      onOpen({ name: file.name, text });
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
        <FileInput size={16} aria-hidden /> Choose a document …
      </Button>
      <span className="text-soft">or drop it here.</span>
      <input
        ref={chooser}
        type="file"
        accept=".json,application/json"
        className="visually-hidden"
        tabIndex={-1}
        aria-label="Document of an order"
        onChange={(event) => {
          take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </div>
  );
}
