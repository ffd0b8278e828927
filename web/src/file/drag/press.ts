/**
 * A press that may become a drag: with a mouse once it has gone some pixels, with a finger once it has
 * rested. A finger that moves before scrolls, as everywhere.
 */

/** Where the pointer is, in CSS pixels from the window's corner. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Hears what becomes of a press. */
export interface PressEvents {
  readonly onBegin: (at: Point) => void;
  readonly onMove: (at: Point) => void;
  readonly onDrop: () => void;
  /** A drag that had begun comes to nothing. */
  readonly onCancel: () => void;
}

/** CSS pixels that a mouse has to go. */
const farEnough = 6;
/** Milliseconds that a finger has to rest, and how far it may move meanwhile. */
const restsFor = 250;
const restsWithin = 8;

const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Follows a press with the left button or one finger until it is over. */
export function followPress(press: MouseEvent | TouchEvent, events: PressEvents): void {
  const isTouch = 'touches' in press;
  const start = pointOf(press);
  if (start === null || (!isTouch && press.button !== 0)) {
    return;
  }
  const over = new AbortController();
  let isDragging = false;
  const begin = (): void => {
    isDragging = true;
    document.getSelection()?.removeAllRanges();
    events.onBegin(start);
  };
  const resting = isTouch ? setTimeout(begin, restsFor) : undefined;
  const end = (tell: () => void): void => {
    clearTimeout(resting);
    over.abort();
    if (isDragging) {
      tell();
      swallowClick();
    }
  };
  const cancel = (): void => {
    end(events.onCancel);
  };
  const move = (event: MouseEvent | TouchEvent): void => {
    const at = pointOf(event);
    if (at === null) {
      return;
    }
    if (!isDragging && isTouch && distance(start, at) > restsWithin) {
      cancel();
      return;
    }
    if (!isDragging && !isTouch && distance(start, at) >= farEnough) {
      begin();
    }
    if (isDragging) {
      // The page neither scrolls under a finger nor marks text under a mouse.
      event.preventDefault();
      events.onMove(at);
    }
  };
  const hear = <K extends keyof DocumentEventMap>(
    name: K,
    act: (event: DocumentEventMap[K]) => void,
  ): void => {
    document.addEventListener(name, act, { signal: over.signal, passive: false });
  };
  hear(isTouch ? 'touchmove' : 'mousemove', move);
  hear(isTouch ? 'touchend' : 'mouseup', () => {
    end(events.onDrop);
  });
  hear('touchcancel', cancel);
  hear('visibilitychange', cancel);
  hear('dragstart', (event) => {
    event.preventDefault();
  });
  hear('contextmenu', (event) => {
    event.preventDefault();
  });
  hear('selectionchange', () => {
    if (isDragging) {
      document.getSelection()?.removeAllRanges();
    }
  });
  hear('keydown', ({ key }) => {
    if (key === 'Escape') {
      cancel();
    }
  });
  window.addEventListener('resize', cancel, { signal: over.signal });
}

/** Null for anything but one finger or a mouse. */
function pointOf(event: MouseEvent | TouchEvent): Point | null {
  if (!('touches' in event)) {
    return { x: event.clientX, y: event.clientY };
  }
  const [finger, other] = event.touches;
  return finger && !other ? { x: finger.clientX, y: finger.clientY } : null;
}

/** Where a drag ends nothing is clicked: the browser makes a click of it right after. */
function swallowClick(): void {
  const done = new AbortController();
  document.addEventListener(
    'click',
    (event) => {
      event.stopPropagation();
      event.preventDefault();
    },
    { capture: true, signal: done.signal },
  );
  setTimeout(() => {
    done.abort();
  }, 50);
}
