/** A small square behind the slots of a track, and the dialog that it opens. */
import type { LucideIcon } from 'lucide-react';
import { useState, type ReactNode } from 'react';

interface Props {
  readonly icon: LucideIcon;
  readonly label: string;
  readonly title: string;
  readonly dialog: (close: () => void) => ReactNode;
}

export function SlotExtra({ icon: Icon, label, title, dialog }: Props) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="slot free keep-chain"
        title={title}
        aria-label={label}
        onClick={() => {
          setOpen(true);
        }}
      >
        <Icon size={14} aria-hidden />
      </button>
      {isOpen &&
        dialog(() => {
          setOpen(false);
        })}
    </>
  );
}
