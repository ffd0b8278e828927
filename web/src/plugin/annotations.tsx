/** What the user says of a plugin: types, kind, vendor, licence, tags, notes, and whether it is offered while loading. */
import { useQuery } from '@tanstack/react-query';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import {
  allTags,
  asId,
  kinds,
  licenceStates,
  nothingSaid,
  typeName,
  type AnswerFacts,
  type Kind,
  type LicenceState,
  type Plugin,
} from '@clever-drawer/core';
import { useActs, useCatalog, useComputer } from '../studio/contexts.ts';
import { sayAct } from '../annotate/annotate.ts';
import { TypesPicker } from '../annotate/types-picker.tsx';
import { VendorPicker } from '../annotate/vendor-picker.tsx';

const kindNames: Record<Kind, string> = {
  effect: 'Effect',
  instrument: 'Instrument',
  'note-effect': 'Note effect',
  tool: 'Tool',
  unknown: 'Not known',
};

export function Said({ plugin }: { plugin: Plugin }) {
  const { client } = useComputer();
  const { answers } = useCatalog();
  const { act } = useActs();
  const said: AnswerFacts = answers.get(plugin.id) ?? nothingSaid;
  const [picking, setPicking] = useState<'type' | 'vendor' | null>(null);
  const sort = useQuery({ queryKey: ['sort', client.computer], queryFn: client.sort });
  const say = (set: Partial<AnswerFacts>): void => {
    act(sayAct([plugin.id], set));
  };
  return (
    <section aria-labelledby="said">
      <h2 id="said" className="visually-hidden">
        What it is
      </h2>
      <dl className="said">
        <dt>Does</dt>
        <dd>
          {plugin.types.map((type) => (
            <span key={type} className="chip">
              {typeName(type)}
              <button
                type="button"
                aria-label={`It is not ${typeName(type)}`}
                onClick={() => {
                  say({ types: plugin.types.filter((t) => t !== type) });
                }}
              >
                <X size={12} aria-hidden />
              </button>
            </span>
          ))}
          <Button
            variant="bare"
            size="sm"
            onClick={() => {
              setPicking('type');
            }}
          >
            <Plus size={13} aria-hidden /> Type …
          </Button>
          {said.types !== null && (
            <TakeBack
              what="types"
              onPress={() => {
                say({ types: null });
              }}
            />
          )}
        </dd>
        <dt>
          <label htmlFor="kind">Is</label>
        </dt>
        <dd>
          <Form.Select
            id="kind"
            size="sm"
            value={plugin.kind}
            onChange={(event) => {
              say({ kind: event.target.value as Kind });
            }}
          >
            {kinds
              .filter((kind) => kind !== 'unknown' || plugin.kind === 'unknown')
              .map((kind) => (
                <option key={kind} value={kind}>
                  {kindNames[kind]}
                </option>
              ))}
          </Form.Select>
          {said.kind !== null && (
            <TakeBack
              what="kind"
              onPress={() => {
                say({ kind: null });
              }}
            />
          )}
        </dd>
        <dt>By</dt>
        <dd>
          <Button
            variant="bare"
            size="sm"
            onClick={() => {
              setPicking('vendor');
            }}
          >
            {plugin.vendor ?? 'nobody named'} …
          </Button>
          {said.vendor !== null && (
            <TakeBack
              what="vendor"
              onPress={() => {
                say({ vendor: null });
              }}
            />
          )}
        </dd>
        <dt>
          <label htmlFor="licence">Licence</label>
        </dt>
        <dd>
          <Licence said={said} onSay={say} />
        </dd>
        <dt>
          <label htmlFor="hidden">Loading</label>
        </dt>
        <dd>
          <Form.Check
            id="hidden"
            type="switch"
            label={said.isHidden ? 'hidden: not offered while loading' : 'offered while loading'}
            checked={!said.isHidden}
            onChange={() => {
              say({ isHidden: !said.isHidden });
            }}
          />
        </dd>
        <dt>
          <label htmlFor="tag">Tags</label>
        </dt>
        <dd>
          <Tags plugin={plugin} tags={said.tags} />
        </dd>
        <dt>
          <label htmlFor="notes">Notes</label>
        </dt>
        <dd>
          <Notes
            key={said.notes}
            notes={said.notes}
            onSay={(notes) => {
              say({ notes });
            }}
          />
        </dd>
      </dl>
      {picking === 'type' && (
        <TypesPicker
          title={`${plugin.name} is also …`}
          onTake={(type) => {
            say({ types: type === null ? [] : [...plugin.types.filter((t) => t !== type), type] });
          }}
          onClose={() => {
            setPicking(null);
          }}
        />
      )}
      {picking === 'vendor' && (
        <VendorPicker
          title={`Whose is ${plugin.name}?`}
          vendors={sort.data?.vendors ?? []}
          onTake={(vendor) => {
            say({ vendor });
          }}
          onClose={() => {
            setPicking(null);
          }}
        />
      )}
    </section>
  );
}

const TakeBack = ({ what, onPress }: { what: string; onPress: () => void }) => (
  <button type="button" className="link-words take-back" onClick={onPress}>
    as it was read<span className="visually-hidden">: take back the {what}</span>
  </button>
);

function Licence({
  said,
  onSay,
}: {
  said: AnswerFacts;
  onSay: (set: Partial<AnswerFacts>) => void;
}) {
  const state = said.licence?.state ?? '';
  return (
    <>
      <Form.Select
        id="licence"
        size="sm"
        value={state}
        onChange={(event) => {
          const next = event.target.value;
          onSay({ licence: next === '' ? null : { state: next as LicenceState, until: null } });
        }}
      >
        <option value="">not known</option>
        {licenceStates.map((one) => (
          <option key={one} value={one}>
            {one}
          </option>
        ))}
      </Form.Select>
      {state === 'trial' && (
        <Form.Control
          type="date"
          size="sm"
          aria-label="Last day of the trial"
          value={said.licence?.until ?? ''}
          onChange={(event) => {
            onSay({
              licence: {
                state: 'trial',
                until: event.target.value === '' ? null : event.target.value,
              },
            });
          }}
        />
      )}
    </>
  );
}

function Tags({ plugin, tags }: { plugin: Plugin; tags: readonly string[] }) {
  const { answers } = useCatalog();
  const { act } = useActs();
  const [typed, setTyped] = useState('');
  const known = allTags(answers.values()).filter((tag) => !tags.includes(tag));
  const add = (): void => {
    if (
      typed.trim() !== '' &&
      act({ act: 'tag', plugins: [plugin.id], add: [typed.trim()], remove: [] })
    ) {
      setTyped('');
    }
  };
  return (
    <>
      {tags.map((tag) => (
        <span key={tag} className="chip">
          {tag}
          <button
            type="button"
            aria-label={`Take the tag ${tag} off`}
            onClick={() => {
              act({ act: 'tag', plugins: [asId(plugin.id)], add: [], remove: [tag] });
            }}
          >
            <X size={12} aria-hidden />
          </button>
        </span>
      ))}
      <Form.Control
        id="tag"
        size="sm"
        className="tag-field"
        placeholder="A tag, then Enter"
        list="known-tags"
        maxLength={60}
        autoComplete="off"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            add();
          }
        }}
        onBlur={add}
      />
      <datalist id="known-tags">
        {known.map((tag) => (
          <option key={tag} value={tag} />
        ))}
      </datalist>
    </>
  );
}

function Notes({ notes, onSay }: { notes: string; onSay: (notes: string) => void }) {
  const [typed, setTyped] = useState(notes);
  return (
    <Form.Control
      id="notes"
      as="textarea"
      rows={3}
      size="sm"
      maxLength={10_000}
      placeholder="What to remember of it"
      value={typed}
      onChange={(event) => {
        setTyped(event.target.value);
      }}
      onBlur={() => {
        if (typed.trim() !== notes) {
          onSay(typed);
        }
      }}
    />
  );
}
