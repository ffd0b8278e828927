/**
 * Dragging: plugins onto folders, folders among themselves, plugins within a folder. A press becomes
 * a drag, what is in the air says what letting go would do, and that is done.
 */
import {
  useContext,
  useEffect,
  useRef,
  useState,
  type MouseEvent,
  type ReactNode,
  type TouchEvent,
} from 'react';
import { useArrangement } from '../../studio/contexts.ts';
import { markDragging } from '../../ui/keys.ts';
import { useLatest } from '../../ui/use-latest.ts';
import type { ChestActs } from '../chest/use-chest.ts';
import { KeepByHand } from '../forms/behind.ts';
import { textOf } from '../model/drop-plan.ts';
import type { TrayState } from '../tray/use-tray.ts';
import { createDragStore, DragContext, findAround, useDrag, type DragStore } from './drag-store.ts';
import { followPress, type Point } from './press.ts';
import { followPointer, partOf, type Pointed } from './under-pointer.ts';
import { useDrop, usePlan, type Asked, type PlanOf } from './use-drop.ts';
import * as texts from '../texts.ts';

interface DropProps {
  readonly tray: TrayState;
  readonly acts: ChestActs;
  readonly onFiled: (folder: string) => void;
}

interface Props extends DropProps {
  /** All in which something can be dragged; the same object while only the others change. */
  readonly children: ReactNode;
}

export function Dragging({ children, ...rest }: Props) {
  const [store] = useState(createDragStore);
  return (
    <DragContext value={store}>
      <Handles {...rest}>{children}</Handles>
    </DragContext>
  );
}

/** Takes the presses of all that can be dragged. */
function Handles({ children, tray, acts, onFiled }: Props) {
  const store = useContext(DragContext);
  const [asked, setAsked] = useState<Asked | null>(null);
  const isDragging = useDrag((drag) => drag !== null);
  const planOf = usePlan(tray.ids, isDragging);
  const drop = useDrop(tray, acts, onFiled, setAsked);
  const pointer = useRef<Point>({ x: 0, y: 0 });
  const air = useRef<HTMLDivElement>(null);
  const [said, setSaid] = useState('');
  const letGo = useLatest(() => {
    const drag = store.now();
    store.end();
    if (drag) {
      drop(drag.dragged, planOf(drag));
    }
  });
  const press = ({ target, nativeEvent }: MouseEvent | TouchEvent): void => {
    const found = findAround(store, target as Element, 'dragged');
    if (!found) {
      return;
    }
    followPress(nativeEvent, {
      onBegin: (at) => {
        pointer.current = at;
        setSaid('');
        store.begin(found.what);
      },
      onMove: (at) => {
        pointer.current = at;
        place(air.current, at);
      },
      onDrop: letGo,
      onCancel: () => {
        setSaid(texts.droppedOutsideNothingWasMoved);
        store.end();
      },
    });
  };
  return (
    <>
      <div className="handles" onMouseDown={press} onTouchStart={press}>
        {children}
      </div>
      {isDragging && (
        <>
          <Following store={store} />
          <InTheAir
            planOf={planOf}
            put={(element) => {
              air.current = element;
              place(element, pointer.current);
            }}
          />
        </>
      )}
      <Announcements planOf={planOf} otherwise={said} />
      {asked && (
        <KeepByHand
          folder={asked.folder}
          plugins={asked.plugins}
          onClose={() => {
            setAsked(null);
          }}
        />
      )}
    </>
  );
}

/** What is in the air stands so far from the pointer, which it must not cover. CSS pixels. */
const beside = { x: 14, y: 12 };

function place(element: HTMLElement | null, { x, y }: Point): void {
  if (element) {
    const left = Math.min(x + beside.x, window.innerWidth - element.offsetWidth);
    const top = Math.min(y + beside.y, window.innerHeight - element.offsetHeight);
    element.style.transform = `translate(${Math.round(Math.max(0, left))}px, ${Math.round(top)}px)`;
  }
}

/** Keeps what is dragged over what the pointer is over. */
function Following({ store }: { readonly store: DragStore }) {
  const { arrangement } = useArrangement();
  const { folders } = arrangement;
  useEffect(() => {
    const point: Pointed = (element, x) => {
      const found = findAround(store, element, 'target');
      const target = found?.what ?? null;
      const dragged = store.now()?.dragged;
      const over =
        target?.kind === 'front' && folders.find((folder) => folder.id === target.folder);
      if (!found || !over || dragged?.kind !== 'folder') {
        store.moveOver(target, 'before');
        return;
      }
      const { left, width } = found.element.getBoundingClientRect();
      const folder = folders.find((one) => one.id === dragged.folder);
      store.moveOver(target, partOf((x - left) / width, over, folder));
    };
    return followPointer(point);
  }, [store, folders]);
  useEffect(() => {
    markDragging(true);
    return () => {
      markDragging(false);
    };
  }, []);
  return null;
}

interface InTheAirProps {
  readonly planOf: PlanOf;
  readonly put: (element: HTMLDivElement | null) => void;
}

function InTheAir({ planOf, put }: InTheAirProps) {
  const drag = useDrag((now) => now);
  if (drag === null) {
    return null;
  }
  const { words, hint } = planOf(drag);
  return (
    <div className="in-the-air" data-testid="in-the-air" ref={put}>
      {words.map(({ text, isName }) => (isName ? <b key={text}>{text}</b> : text))}
      {hint !== undefined && <span className="text-soft-bar"> {hint}</span>}
    </div>
  );
}

interface AnnouncementsProps {
  readonly planOf: PlanOf;
  readonly otherwise: string;
}

/** Says to screen readers what letting go would do; while nothing is dragged, what else is to be said. */
function Announcements({ planOf, otherwise }: AnnouncementsProps) {
  const drag = useDrag((now) => now);
  return (
    <p className="visually-hidden" aria-live="assertive">
      {drag ? textOf(planOf(drag)) : otherwise}
    </p>
  );
}
