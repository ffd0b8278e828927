/** Short messages at the foot of the window, also said to screen readers. Troubles stay until they are closed. */
import {
  createContext,
  useCallback,
  useContext,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';

export type NoticeSort = 'done' | 'trouble';
interface Notice {
  readonly number: number;
  readonly text: string;
  readonly sort: NoticeSort;
}
export interface Notices {
  readonly say: (text: string, sort: NoticeSort) => void;
}

const NoticesContext = createContext<Notices>({ say: () => undefined });
export const useNotices = (): Notices => useContext(NoticesContext);

/** How long a message about something done stays. Milliseconds. */
const shownFor = 3_500;

export function NoticesProvider({ children }: { children: ReactNode }) {
  const [notices, setNotices] = useState<readonly Notice[]>([]);
  const next = useRef(0);
  const close = useCallback((number: number) => {
    setNotices((list) => list.filter((n) => n.number !== number));
  }, []);
  const say = useCallback(
    (text: string, sort: NoticeSort) => {
      const number = (next.current += 1);
      setNotices((list) => [
        ...list.filter((n) => n.sort === 'trouble' && n.text !== text).slice(-2),
        { number, text, sort },
      ]);
      if (sort === 'done') {
        setTimeout(() => {
          close(number);
        }, shownFor);
      }
    },
    [close],
  );
  const value = useMemo(() => ({ say }), [say]);
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
    <div className={`notice ${notice.sort}`} data-testid="notice">
      <span>{notice.text}</span>
      {notice.sort === 'trouble' && (
        <button
          type="button"
          onClick={() => {
            close(notice.number);
          }}
        >
          Close
        </button>
      )}
    </div>
  );
}
