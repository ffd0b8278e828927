/** Making a cabinet by a plan that is shown before it is made, or changing the name and slots of one. */
import { useMemo, useState, type SyntheticEvent } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import {
  cabinetSlots,
  countPlan,
  planByFormat,
  planByJob,
  planByType,
  planByVendor,
  planChecks,
  planLike,
  plans,
  type Cabinet,
  type CabinetSlot,
  type PlanName,
  type PlannedFolder,
} from '@clever-drawer/core';
import { useActs, useArrangement, useCatalog, useOrder } from '../studio/contexts.ts';
import { addCabinetAct } from './model/acts.ts';

const planNames: Record<PlanName, readonly [name: string, title: string, what: string]> = {
  empty: ['Empty', 'New cabinet', 'favourites only'],
  type: ['By type', 'By type', 'a folder for each group of types'],
  vendor: ['By vendor', 'By vendor', 'a folder for each vendor with many plugins'],
  format: ['By format', 'By format', 'a folder for each format'],
  job: ['By job', 'By job', 'empty folders to fill'],
  checks: ['Last checks before delivery', 'Last checks', 'meters, limiters, repair'],
  like: ['Like this one, but empty', '', 'the same folders and rules'],
  copy: ['Like this one, and filled', '', 'the same folders with what they hold'],
};
const slotNames: Record<CabinetSlot, string> = {
  track: 'tracks',
  bus: 'buses',
  final: 'the final chain',
  instrument: 'instruments',
  'note-effect': 'note effects',
};

interface Props {
  /** The one to change; null makes a new one. */
  readonly cabinet: Cabinet | null;
  readonly onMake: (act: ReturnType<typeof addCabinetAct>) => void;
  readonly onClose: () => void;
}

export function CabinetForm({ cabinet, onMake, onClose }: Props) {
  const { act } = useActs();
  const { cabinet: shown } = useArrangement();
  const [plan, setPlan] = useState<PlanName>('type');
  const [atLeast, setAtLeast] = useState(10);
  const [name, setName] = useState<string | null>(null);
  const [slots, setSlots] = useState<readonly CabinetSlot[]>(cabinet?.opensFor ?? []);
  const folders = usePlanned(plan, atLeast);
  const usual = cabinet?.name ?? (planNames[plan][1] || `${shown?.name ?? ''}, again`);
  const title = name ?? usual;
  const submit = (event: SyntheticEvent): void => {
    event.preventDefault();
    if (title.trim() === '') {
      return;
    }
    if (!cabinet) {
      onMake(addCabinetAct(title, slots, folders));
    }
    const set = { name: title, opensFor: slots };
    if (!cabinet || act({ act: 'set-cabinet', cabinet: cabinet.id, set })) {
      onClose();
    }
  };
  return (
    <Modal
      show
      onHide={onClose}
      animation={false}
      size={cabinet ? undefined : 'lg'}
      scrollable
      aria-labelledby="cabinet-title"
    >
      <Form onSubmit={submit} className="modal-content">
        <Modal.Header closeButton>
          <Modal.Title as="h1" id="cabinet-title">
            {cabinet ? cabinet.name : 'A new cabinet'}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body className={cabinet ? '' : 'cabinet-form'}>
          <div>
            {!cabinet && (
              <Plans plan={plan} atLeast={atLeast} onPlan={setPlan} onAtLeast={setAtLeast} />
            )}
            <NameField title={title} isFirst={cabinet !== null} onChange={setName} />
            <Slots slots={slots} onChange={setSlots} />
          </div>
          {!cabinet && <Preview folders={folders} />}
        </Modal.Body>
        <Modal.Footer>
          <Button variant="bare" onClick={onClose}>
            Cancel
          </Button>
          <Button type="submit">{cabinet ? 'Save' : 'Make the cabinet'}</Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}

/** The folders of a plan over the catalog that is shown. */
function usePlanned(plan: PlanName, atLeast: number): PlannedFolder[] {
  const { plugins } = useCatalog();
  const { order } = useOrder();
  const { cabinet: shown } = useArrangement();
  return useMemo((): PlannedFolder[] => {
    switch (plan) {
      case 'empty':
        return [];
      case 'type':
        return planByType(plugins);
      case 'vendor':
        return planByVendor(plugins, atLeast);
      case 'format':
        return planByFormat(plugins);
      case 'job':
        return planByJob();
      case 'checks':
        return planChecks(plugins);
      case 'like':
      case 'copy':
        return shown ? planLike(order.records, shown, plan === 'copy') : [];
      default:
        return plan satisfies never;
    }
  }, [plan, atLeast, plugins, order.records, shown]);
}

interface PlansProps {
  readonly plan: PlanName;
  /** Plugins that a vendor has to have for a folder of its own. */
  readonly atLeast: number;
  readonly onPlan: (plan: PlanName) => void;
  readonly onAtLeast: (count: number) => void;
}

function Plans({ plan, atLeast, onPlan, onAtLeast }: PlansProps) {
  return (
    <fieldset className="plans">
      <legend className="visually-hidden">Plan</legend>
      {plans.map((one) => (
        <Form.Check
          key={one}
          type="radio"
          name="plan"
          id={`plan-${one}`}
          checked={one === plan}
          onChange={() => {
            onPlan(one);
          }}
          label={
            <>
              {planNames[one][0]} <span className="text-soft">{planNames[one][2]}</span>
            </>
          }
        />
      ))}
      {plan === 'vendor' && (
        <Form.Label className="at-least">
          with at least{' '}
          <Form.Control
            type="number"
            size="sm"
            min={2}
            max={500}
            value={atLeast}
            onChange={(event) => {
              onAtLeast(Math.max(2, Number(event.target.value)));
            }}
          />{' '}
          plugins
        </Form.Label>
      )}
    </fieldset>
  );
}

interface NameProps {
  readonly title: string;
  readonly isFirst: boolean;
  readonly onChange: (name: string) => void;
}

function NameField({ title, isFirst, onChange }: NameProps) {
  return (
    <Form.Group controlId="cabinet-name" className="mb-3">
      <Form.Label>Name</Form.Label>
      <Form.Control
        className="hand"
        autoFocus={isFirst}
        maxLength={120}
        autoComplete="off"
        value={title}
        isInvalid={title.trim() === ''}
        onChange={(event) => {
          onChange(event.target.value);
        }}
      />
      <Form.Control.Feedback type="invalid">Give it a name.</Form.Control.Feedback>
    </Form.Group>
  );
}

interface SlotsProps {
  readonly slots: readonly CabinetSlot[];
  readonly onChange: (slots: readonly CabinetSlot[]) => void;
}

function Slots({ slots, onChange }: SlotsProps) {
  const toggled = (slot: CabinetSlot): readonly CabinetSlot[] =>
    slots.includes(slot) ? slots.filter((each) => each !== slot) : [...slots, slot];
  return (
    <fieldset>
      <legend className="form-label">Opens by itself for</legend>
      {cabinetSlots.map((slot) => (
        <Form.Check
          key={slot}
          inline
          type="checkbox"
          id={`slot-${slot}`}
          label={slotNames[slot]}
          checked={slots.includes(slot)}
          onChange={() => {
            onChange(toggled(slot));
          }}
        />
      ))}
    </fieldset>
  );
}

function Preview({ folders }: { folders: readonly PlannedFolder[] }) {
  const count = countPlan(folders);
  return (
    <div className="plan-preview" tabIndex={0} role="region" aria-label="What it would make">
      <p className="text-soft">
        {folders.length === 0
          ? 'Makes only its favourites.'
          : `Makes ${count.folders} folders with ${count.plugins} places in them. Nothing is moved; filing is a reference.`}
      </p>
      <Planned folders={folders} />
    </div>
  );
}

function Planned({ folders }: { folders: readonly PlannedFolder[] }) {
  return (
    <ul>
      {folders
        .filter((folder) => folder.form !== 'favourites')
        .map((folder) => (
          <li key={folder.name}>
            {folder.form === 'divider' ? (
              <span className="text-soft">— {folder.name} —</span>
            ) : (
              <>
                <span className={`label ${folder.form === 'smart' ? 'smart' : ''}`}>
                  {folder.name}
                </span>{' '}
                <span className="text-soft">
                  {folder.form === 'smart' ? 'by its rule' : folder.plugins.length}
                </span>
              </>
            )}
            {folder.below.length > 0 && <Planned folders={folder.below} />}
          </li>
        ))}
    </ul>
  );
}
