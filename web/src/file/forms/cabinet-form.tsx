/** Making a cabinet by a plan that is shown before it is made, or changing the name and slots of one. */
import { useMemo, useState, type ReactNode, type SyntheticEvent } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import {
  cabinetSlots,
  cabinetSlotWords,
  type Cabinet,
  type CabinetSlot,
} from '@clever-drawer/core/order';
import {
  countPlan,
  planByFormat,
  planByJob,
  planByType,
  planByVendor,
  planChecks,
  planLike,
  plans,
  type PlanName,
  type PlannedFolder,
} from '@clever-drawer/core/plans';
import { useActs, useArrangement, useCatalog, useOrder } from '../../studio/contexts.ts';
import { addCabinetAct } from '../model/acts.ts';
import * as texts from '../texts.ts';

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
  const usual = cabinet?.name ?? (texts.planNames[plan][1] || texts.again(shown?.name ?? ''));
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
            {cabinet ? cabinet.name : texts.aNewCabinet}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body className={cabinet ? '' : 'cabinet-form'}>
          <div>
            {!cabinet && (
              <Plans plan={plan} atLeast={atLeast} onPlan={setPlan} onAtLeast={setAtLeast} />
            )}
            <NameField title={title} isFirst={cabinet !== null} onChange={setName} />
            <Slots slots={slots} of={cabinet} onChange={setSlots} />
          </div>
          {!cabinet && <Preview folders={folders} />}
        </Modal.Body>
        <Modal.Footer>
          <Button variant="bare" onClick={onClose}>
            {texts.cancel}
          </Button>
          <Button type="submit">{cabinet ? texts.save : texts.makeTheCabinet}</Button>
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
      <legend className="visually-hidden">{texts.plan}</legend>
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
              {texts.planNames[one][0]} <span className="text-soft">{texts.planNames[one][2]}</span>
            </>
          }
        />
      ))}
      {plan === 'vendor' && (
        <Form.Label className="at-least">
          {texts.withAtLeast}{' '}
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
          {texts.plugins}
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
      <Form.Label>{texts.name}</Form.Label>
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
      <Form.Control.Feedback type="invalid">{texts.giveItAName}</Form.Control.Feedback>
    </Form.Group>
  );
}

/** What a kind of slot is called, and which other cabinet has it. */
function slotLabel(slot: CabinetSlot, owner: string | undefined, isTaken: boolean): ReactNode {
  if (owner === undefined) {
    return cabinetSlotWords[slot];
  }
  return (
    <>
      {cabinetSlotWords[slot]}{' '}
      <span className="text-soft">{isTaken ? texts.takenFrom(owner) : texts.nowOpens(owner)}</span>
    </>
  );
}

interface SlotsProps {
  readonly slots: readonly CabinetSlot[];
  /** The cabinet that is to have them; null while it is not made. */
  readonly of: Cabinet | null;
  readonly onChange: (slots: readonly CabinetSlot[]) => void;
}

function Slots({ slots, of, onChange }: SlotsProps) {
  const { cabinets } = useArrangement();
  const ownerOf = (slot: CabinetSlot): Cabinet | undefined =>
    cabinets.find(({ id, opensFor }) => id !== of?.id && opensFor.includes(slot));
  const toggled = (slot: CabinetSlot): readonly CabinetSlot[] =>
    slots.includes(slot) ? slots.filter((each) => each !== slot) : [...slots, slot];
  return (
    <fieldset>
      <legend className="form-label">{texts.opensByItselfFor}</legend>
      {cabinetSlots.map((slot) => (
        <Form.Check
          key={slot}
          type="checkbox"
          id={`slot-${slot}`}
          label={slotLabel(slot, ownerOf(slot)?.name, slots.includes(slot))}
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
    <div className="plan-preview" tabIndex={0} role="region" aria-label={texts.whatItWouldMake}>
      <p className="text-soft">
        {folders.length === 0
          ? texts.makesOnlyItsFavourites
          : texts.makesFoldersWithPlacesInThem(count.folders, count.plugins)}
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
                  {folder.form === 'smart' ? texts.byItsRule : folder.plugins.length}
                </span>
              </>
            )}
            {folder.below.length > 0 && <Planned folders={folder.below} />}
          </li>
        ))}
    </ul>
  );
}
