/**
 * Short messages at the foot of the window, also said to screen readers. Troubles stay
 * longer, and can be closed.
 */
import {
  createContext,
  useCallback,
  useContext,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import * as texts from './texts.ts';

export type NoticeKind = 'done' | 'trouble';
interface Notice {
  readonly number: number;
  readonly text: string;
  readonly kind: NoticeKind;
}
export interface Notices {
  readonly notify: (text: string, kind: NoticeKind) => void;
}

const NoticesContext = createContext<Notices>({ notify: () => undefined });
export const useNotices = (): Notices => useContext(NoticesContext);

/** How long a message stays, by what it tells. Milliseconds. */
const shownFor: Readonly<Record<NoticeKind, number>> = { done: 3_500, trouble: 20_000 };

export function NoticesProvider({ children }: { children: ReactNode }) {
  const [notices, setNotices] = useState<readonly Notice[]>([]);
  const next = useRef(0);
  const close = useCallback((number: number) => {
    setNotices((list) => list.filter((n) => n.number !== number));
  }, []);
  const notify = useCallback(
    (text: string, kind: NoticeKind) => {
      const number = (next.current += 1);
      setNotices((list) => [
        ...list.filter((n) => n.kind === 'trouble' && n.text !== text).slice(-2),
        { number, text, kind },
      ]);
      setTimeout(() => {
        close(number);
      }, shownFor[kind]);
    },
    [close],
  );
  const value = useMemo(() => ({ notify }), [notify]);
  return (
    <NoticesContext value={value}>
      {children}
      <div className="notices" role="status" aria-live="polite">
        {notices.map((notice) => (
          <NoticeLine key={notice.number} notice={notice} close={close} />
        ))}
      </div>
    </NoticesContext>
  );
}

function NoticeLine({
  notice,
  close,
}: {
  readonly notice: Notice;
  readonly close: (number: number) => void;
}) {
  return (
    <div className={`notice ${notice.kind}`} data-testid="notice">
      <span>{notice.text}</span>
      {notice.kind === 'trouble' && (
        <button
          type="button"
          onClick={() => {
            close(notice.number);
          }}
        >
          {texts.close}
        </button>
      )}
    </div>
  );
}
