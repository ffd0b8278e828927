/** A picture of the user's own: chosen, dropped or pasted. */
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import type { Plugin } from '@clever-drawer/core/catalog';
import { useActs, useCatalog, useComputer } from '../studio/contexts.ts';
import { annotateAct } from '../annotate/annotate.ts';
import { isTyping } from '../ui/keys.ts';
import { useNotices } from '../ui/notices.tsx';
import * as texts from './texts.ts';

export function OwnPicture({ plugin, children }: { plugin: Plugin; children: ReactNode }) {
  const { client } = useComputer();
  const { answers } = useCatalog();
  const { act } = useActs();
  const { notify } = useNotices();
  const field = useRef<HTMLInputElement>(null);
  const [isOver, setOver] = useState(false);
  const isOwn = answers.get(plugin.id)?.picture != null;
  const take = (file: Blob | null | undefined): void => {
    if (!file) {
      notify(texts.thatIsNoPictureCopy, 'trouble');
      return;
    }
    client.addPicture(file).then(
      ({ id }) => {
        act(annotateAct([plugin.id], { picture: id }));
      },
      (error: unknown) => {
        notify(error instanceof Error ? error.message : String(error), 'trouble');
      },
    );
  };
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });
  useEffect(() => {
    const paste = (event: ClipboardEvent): void => {
      if (isTyping(event.target)) {
        return;
      }
      const file = [...(event.clipboardData?.files ?? [])].find((one) =>
        one.type.startsWith('image/'),
      );
      if (file) {
        latest.current(file);
      }
    };
    window.addEventListener('paste', paste);
    return () => {
      window.removeEventListener('paste', paste);
    };
  }, []);
  return (
    <div
      className={`own-picture ${isOver ? 'over' : ''}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => {
        setOver(false);
      }}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        take(event.dataTransfer.files[0]);
      }}
    >
      {children}
      <OwnActs field={field} isOver={isOver} isOwn={isOwn} plugin={plugin} />
      <input
        ref={field}
        type="file"
        accept="image/*"
        hidden
        aria-label={texts.aPictureOfThePluginsWindow}
        onChange={(event) => {
          take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </div>
  );
}

interface OwnActsProps {
  readonly field: React.RefObject<HTMLInputElement | null>;
  readonly isOver: boolean;
  readonly isOwn: boolean;
  readonly plugin: Plugin;
}

function OwnActs({ field, isOver, isOwn, plugin }: OwnActsProps) {
  const { act } = useActs();
  return (
    <span className="own-acts">
      <Button
        variant="bare"
        size="sm"
        onClick={() => {
          field.current?.click();
        }}
      >
        {isOver ? texts.dropItHere : texts.picture}
      </Button>
      {isOwn && (
        <Button
          variant="bare"
          size="sm"
          onClick={() => {
            act(annotateAct([plugin.id], { picture: null }));
          }}
        >
          {texts.remove}
        </Button>
      )}
    </span>
  );
}
