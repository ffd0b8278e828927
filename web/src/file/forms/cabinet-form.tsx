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
  planByJob,
  planChecks,
  planLike,
  planReady,
  plans,
  type PlanName,
  type PlannedFolder,
  type ReadyOptions,
  type ReadyPlan,
} from '@clever-drawer/core/plans';
import { useActs, useArrangement, useCatalog, useOrder } from '../../studio/contexts.ts';
import { addCabinetAct } from '../model/acts.ts';
import * as formTexts from './texts.ts';
import * as texts from '../texts.ts';

/** What a ready cabinet is like until something else is chosen. */
const usualOptions: ReadyOptions = { atMost: 20, atLeast: 10, isApart: false, isLiving: true };

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
  const [options, setOptions] = useState(usualOptions);
  const [name, setName] = useState<string | null>(null);
  const [slots, setSlots] = useState<readonly CabinetSlot[]>(cabinet?.opensFor ?? []);
  const folders = usePlanned(plan, options);
  const usual =
    cabinet?.name ?? (formTexts.planNames[plan][1] || formTexts.again(shown?.name ?? ''));
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
            {cabinet ? cabinet.name : formTexts.newCabinet}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body className={cabinet ? '' : 'cabinet-form'}>
          <div>
            {!cabinet && (
              <Plans plan={plan} options={options} onPlan={setPlan} onOptions={setOptions} />
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
          <Button type="submit">{cabinet ? texts.save : formTexts.createTheCabinet}</Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}

/** The folders of a plan over the catalog that is shown. */
function usePlanned(plan: PlanName, options: ReadyOptions): PlannedFolder[] {
  const { plugins } = useCatalog();
  const { order } = useOrder();
  const { cabinet: shown } = useArrangement();
  return useMemo((): PlannedFolder[] => {
    switch (plan) {
      case 'empty':
        return [];
      case 'type':
      case 'vendor':
      case 'format':
        return planReady(plan, plugins, options);
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
  }, [plan, options, plugins, order.records, shown]);
}

interface PlansProps {
  readonly plan: PlanName;
  readonly options: ReadyOptions;
  readonly onPlan: (plan: PlanName) => void;
  readonly onOptions: (options: ReadyOptions) => void;
}

function Plans({ plan, options, onPlan, onOptions }: PlansProps) {
  return (
    <fieldset className="plans">
      <legend className="visually-hidden">{formTexts.plan}</legend>
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
              {formTexts.planNames[one][0]}{' '}
              <span className="text-soft">{formTexts.planNames[one][2]}</span>
            </>
          }
        />
      ))}
      {isReady(plan) && <ReadyChoices plan={plan} options={options} onOptions={onOptions} />}
    </fieldset>
  );
}

const isReady = (plan: PlanName): plan is ReadyPlan =>
  plan === 'type' || plan === 'vendor' || plan === 'format';

interface ReadyProps {
  readonly plan: ReadyPlan;
  readonly options: ReadyOptions;
  readonly onOptions: (options: ReadyOptions) => void;
}

/** How a ready cabinet is made: how deep, what stands apart, and whether it lives. */
function ReadyChoices({ plan, options, onOptions }: ReadyProps) {
  const set = (change: Partial<ReadyOptions>): void => {
    onOptions({ ...options, ...change });
  };
  return (
    <div className="ready-choices">
      {plan === 'vendor' && (
        <Count
          before={formTexts.vendorsWithAtLeast}
          value={options.atLeast}
          onChange={(atLeast) => {
            set({ atLeast });
          }}
        />
      )}
      <Count
        before={formTexts.foldersInsideFrom}
        value={options.atMost}
        onChange={(atMost) => {
          set({ atMost });
        }}
      />
      <Form.Check
        type="checkbox"
        id="ready-apart"
        label={formTexts.kindsApart}
        checked={options.isApart}
        onChange={(event) => {
          set({ isApart: event.target.checked });
        }}
      />
      {[true, false].map((isLiving) => (
        <Form.Check
          key={String(isLiving)}
          type="radio"
          name="ready-living"
          id={`ready-living-${String(isLiving)}`}
          label={isLiving ? formTexts.itLives : formTexts.itIsASnapshot}
          checked={options.isLiving === isLiving}
          onChange={() => {
            set({ isLiving });
          }}
        />
      ))}
    </div>
  );
}

interface CountProps {
  readonly before: string;
  readonly value: number;
  readonly onChange: (count: number) => void;
}

/** So many plugins; what is no number changes nothing. */
function Count({ before, value, onChange }: CountProps) {
  return (
    <Form.Label className="at-least">
      {before}{' '}
      <Form.Control
        type="number"
        size="sm"
        min={2}
        max={500}
        value={value}
        onChange={(event) => {
          onChange(Math.min(500, Math.max(2, Number(event.target.value))));
        }}
      />{' '}
      {formTexts.plugins}
    </Form.Label>
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
      <Form.Control.Feedback type="invalid">{texts.enterAName}</Form.Control.Feedback>
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
      <span className="text-soft">
        {isTaken ? formTexts.takenFrom(owner) : formTexts.nowOpens(owner)}
      </span>
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
      <legend className="form-label">{formTexts.opensFor}</legend>
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

function previewWords(folders: readonly PlannedFolder[]): string {
  const count = countPlan(folders);
  if (folders.length === 0) {
    return formTexts.createsOnlyAFavouritesFolder;
  }
  return folders.some(({ takesIn }) => takesIn !== undefined)
    ? formTexts.makesFoldersThatFill(count.folders)
    : formTexts.makesFoldersWithPlacesInThem(count.folders, count.plugins);
}

function Preview({ folders }: { folders: readonly PlannedFolder[] }) {
  return (
    <div className="plan-preview" tabIndex={0} role="region" aria-label={formTexts.preview}>
      <p className="text-soft">{previewWords(folders)}</p>
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
                  {folder.form === 'smart'
                    ? (folder.takesIn ?? formTexts.byItsRule)
                    : folder.plugins.length}
                </span>
              </>
            )}
            {folder.below.length > 0 && <Planned folders={folder.below} />}
          </li>
        ))}
    </ul>
  );
}
