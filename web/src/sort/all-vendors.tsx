/** All vendors with their spellings: rename one, say that it is another, or part a spelling from it. */
import { useState, type SyntheticEvent } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import type { Vendor } from '@clever-drawer/core/identify';
import { useActs } from '../studio/contexts.ts';
import { spellAct } from '../annotate/annotate.ts';
import { VendorPicker } from '../annotate/vendor-picker.tsx';
import * as texts from './texts.ts';

export function AllVendors({
  vendors,
  onClose,
}: {
  vendors: readonly Vendor[];
  onClose: () => void;
}) {
  const [letters, setLetters] = useState('');
  const [joining, setJoining] = useState<Vendor | null>(null);
  const { act } = useActs();
  const shown = vendors.filter((vendor) =>
    [vendor.name, ...vendor.spellings.map((s) => s.spelling)].some((text) =>
      text.toLowerCase().includes(letters.trim().toLowerCase()),
    ),
  );
  if (joining) {
    return (
      <VendorPicker
        title={texts.isTheSameAs(joining.name)}
        vendors={vendors.filter((v) => v !== joining)}
        onTake={(vendor) => {
          act(
            spellAct({
              vendor,
              spellings: [
                ...joining.spellings,
                ...(vendors.find((v) => v.name === vendor)?.spellings ?? []),
              ].map((s) => s.spelling),
            }),
          );
        }}
        onClose={() => {
          setJoining(null);
        }}
      />
    );
  }
  return (
    <VendorsDialog
      onClose={onClose}
      vendors={vendors}
      letters={letters}
      setLetters={setLetters}
      shown={shown}
      setJoining={setJoining}
    />
  );
}

interface VendorsDialogProps {
  readonly onClose: () => void;
  readonly vendors: readonly Vendor[];
  readonly letters: string;
  readonly setLetters: React.Dispatch<React.SetStateAction<string>>;
  readonly shown: Vendor[];
  readonly setJoining: React.Dispatch<React.SetStateAction<Vendor | null>>;
}

function VendorsDialog({
  onClose,
  vendors,
  letters,
  setLetters,
  shown,
  setJoining,
}: VendorsDialogProps) {
  return (
    <Modal
      show
      onHide={onClose}
      animation={false}
      size="lg"
      scrollable
      aria-labelledby="vendors-title"
    >
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="vendors-title">
          {texts.vendors(vendors.length)}
        </Modal.Title>
      </Modal.Header>
      <VendorsBody
        letters={letters}
        setLetters={setLetters}
        shown={shown}
        setJoining={setJoining}
      />
    </Modal>
  );
}

interface VendorsBodyProps {
  readonly letters: string;
  readonly setLetters: React.Dispatch<React.SetStateAction<string>>;
  readonly shown: Vendor[];
  readonly setJoining: React.Dispatch<React.SetStateAction<Vendor | null>>;
}

function VendorsBody({ letters, setLetters, shown, setJoining }: VendorsBodyProps) {
  return (
    <Modal.Body>
      <Form.Control
        autoFocus
        placeholder={texts.vendorName}
        aria-label={texts.vendorName}
        value={letters}
        onChange={(event) => {
          setLetters(event.target.value);
        }}
      />
      <ul className="vendor-rows">
        {shown.map((vendor) => (
          <VendorRow
            key={vendor.name}
            vendor={vendor}
            onJoin={() => {
              setJoining(vendor);
            }}
          />
        ))}
      </ul>
      {shown.length === 0 && <p className="text-soft mt-3">{texts.noMatches}</p>}
    </Modal.Body>
  );
}

function VendorRow({ vendor, onJoin }: { vendor: Vendor; onJoin: () => void }) {
  const { act } = useActs();
  const [name, setName] = useState<string | null>(null);
  const spellings = vendor.spellings.map((s) => s.spelling);
  const rename = (event: SyntheticEvent): void => {
    event.preventDefault();
    if (name !== null && name.trim() !== '' && name.trim() !== vendor.name) {
      act(spellAct({ vendor: name.trim(), spellings }));
    }
    setName(null);
  };
  return (
    <li>
      {name === null ? (
        <strong>{vendor.name}</strong>
      ) : (
        <RenameForm rename={rename} vendor={vendor} name={name} setName={setName} />
      )}
      <Spellings vendor={vendor} spellings={spellings} />
      <span>
        <Button
          variant="bare"
          size="sm"
          onClick={() => {
            setName(vendor.name);
          }}
        >
          {texts.rename}
        </Button>
        <Button variant="bare" size="sm" onClick={onJoin}>
          {texts.sameAs}
        </Button>
      </span>
    </li>
  );
}

function Spellings({
  vendor,
  spellings,
}: {
  readonly vendor: Vendor;
  readonly spellings: string[];
}) {
  const { act } = useActs();
  return (
    <span className="spellings">
      {vendor.spellings.map(({ spelling, count }) => (
        <span key={spelling} className="chip">
          {spelling} · {count}
          {spellings.length > 1 && spelling !== vendor.name && (
            <button
              type="button"
              aria-label={texts.isAnotherVendor(spelling)}
              title={texts.splitOffAsItsOwn}
              onClick={() => {
                act(
                  spellAct(
                    { vendor: vendor.name, spellings: spellings.filter((s) => s !== spelling) },
                    { vendor: spelling, spellings: [spelling] },
                  ),
                );
              }}
            >
              {texts.splitOff}
            </button>
          )}
        </span>
      ))}
    </span>
  );
}

interface RenameFormProps {
  readonly rename: (event: SyntheticEvent) => void;
  readonly vendor: Vendor;
  readonly name: string;
  readonly setName: React.Dispatch<React.SetStateAction<string | null>>;
}

function RenameForm({ rename, vendor, name, setName }: RenameFormProps) {
  return (
    <Form onSubmit={rename}>
      <Form.Control
        size="sm"
        autoFocus
        aria-label={texts.newNameOf(vendor.name)}
        value={name}
        maxLength={120}
        onChange={(event) => {
          setName(event.target.value);
        }}
        onBlur={rename}
        onKeyDown={(event) => {
          if (event.key === 'Escape') {
            event.stopPropagation();
            setName(null);
          }
        }}
      />
    </Form>
  );
}
