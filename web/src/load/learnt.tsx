/** What is learnt of loading: keys for a load over time. It can be switched off, and wiped. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { curveMonotoneX, line, max, scaleLinear, scalePoint } from 'd3';
import { useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import type { KeysView } from '@clever-drawer/core/api';
import { printNumber } from '@clever-drawer/core/print-number';
import { useActs, useComputer } from '../studio/contexts.ts';
import { useNotifyError } from '../studio/notify-error.ts';
import type { Beside } from '../studio/own-acts.ts';
import { habitsQuery } from '../studio/studio-queries.ts';
import { useNotices } from '../ui/notices.tsx';
import * as texts from './texts.ts';

/** Tells what was done, and how it is taken back. */
type After = (work: Promise<unknown>, words: string, beside: Beside | null) => void;

export function Learnt({ keys, onClose }: { keys: KeysView; onClose: () => void }) {
  const { client } = useComputer();
  const { did } = useActs();
  const notifyError = useNotifyError();
  const [isAsking, setAsking] = useState(false);
  const habits = useQuery(habitsQuery(client));
  const isLearning = habits.data?.isLearning ?? true;
  const queries = useQueryClient();
  const setLearning = (): void => {
    queries.setQueryData(
      habitsQuery(client).queryKey,
      (before) => before && { ...before, isLearning: !isLearning },
    );
    after(
      client.setLearning(!isLearning),
      isLearning ? texts.loadsAreNotRecorded : texts.loadsAreRecordedAgain,
      {
        undo: () => client.setLearning(isLearning),
        redo: () => client.setLearning(!isLearning),
      },
    );
  };
  const after: After = (work, words, beside) => {
    work.then(() => {
      did(words, beside);
      setAsking(false);
    }, notifyError);
  };
  return (
    <Modal show onHide={onClose} animation={false} aria-labelledby="learnt-title">
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="learnt-title">
          {texts.whatIsRemembered}
        </Modal.Title>
      </Modal.Header>
      <WhatIsLearnt
        keys={keys}
        isLearning={isLearning}
        setLearning={setLearning}
        isAsking={isAsking}
        after={after}
        setAsking={setAsking}
      />
      <Modal.Footer>
        <Button onClick={onClose}>{texts.done}</Button>
      </Modal.Footer>
    </Modal>
  );
}

interface WhatIsLearntProps {
  readonly keys: KeysView;
  readonly isLearning: boolean;
  readonly setLearning: () => void;
  readonly isAsking: boolean;
  readonly after: After;
  readonly setAsking: React.Dispatch<React.SetStateAction<boolean>>;
}

function WhatIsLearnt({
  keys,
  isLearning,
  setLearning,
  isAsking,
  after,
  setAsking,
}: WhatIsLearntProps) {
  const { notify } = useNotices();
  return (
    <Modal.Body>
      <p>{texts.eachLoadIsRecordedOn}</p>
      <Chart weeks={keys.weeks} />
      <Form.Check
        type="switch"
        id="is-learning"
        label={texts.rememberWhatILoad}
        checked={isLearning}
        onChange={setLearning}
      />
      <p className="text-soft">
        {keys.loads === 0
          ? texts.nothingRecordedYet
          : texts.recorded(printNumber(keys.loads), keys.loads)}
      </p>
      {isAsking ? (
        <Wiping keys={keys} after={after} setAsking={setAsking} />
      ) : (
        <Button
          variant="quiet"
          size="sm"
          onClick={() => {
            if (keys.loads === 0) {
              notify(texts.nothingToDelete, 'done');
            } else {
              setAsking(true);
            }
          }}
        >
          {texts.deleteAllLoads}
        </Button>
      )}
    </Modal.Body>
  );
}

interface WipingProps {
  readonly keys: KeysView;
  readonly after: After;
  readonly setAsking: React.Dispatch<React.SetStateAction<boolean>>;
}

function Wiping({ keys, after, setAsking }: WipingProps) {
  const { client } = useComputer();
  return (
    <p role="alert" className="wipe">
      {texts.thisDeletesAllForGood(printNumber(keys.loads))}{' '}
      <Button
        variant="danger"
        size="sm"
        onClick={() => {
          after(client.wipeLoads(), texts.allLoadsDeleted, null);
        }}
      >
        {texts.forgetThemAll}
      </Button>{' '}
      <Button
        variant="bare"
        size="sm"
        onClick={() => {
          setAsking(false);
        }}
      >
        {texts.keepThem}
      </Button>
    </p>
  );
}

const width = 440;
const height = 130;
const left = 24;
const foot = 18;

function Chart({ weeks }: Pick<KeysView, 'weeks'>) {
  if (weeks.length === 0) {
    return <p className="text-soft">{texts.loadSomethingByKeyboardAnd}</p>;
  }
  const x = scalePoint()
    .domain(weeks.map((one) => one.week))
    .range([left + 6, width - 8]);
  const y = scaleLinear()
    .domain([0, Math.max(4, max(weeks, (one) => one.keys) ?? 0)])
    .nice()
    .range([height - foot, 8]);
  const path =
    line<(typeof weeks)[number]>(
      (one) => x(one.week) ?? 0,
      (one) => y(one.keys),
    ).curve(curveMonotoneX)(weeks) ?? '';
  const ends = weeks.length > 1 ? [weeks[0], weeks.at(-1)] : [weeks[0]];
  const dayOf = (week: string): string =>
    new Date(`${week}T00:00:00Z`).toLocaleDateString('en-GB', {
      day: 'numeric',
      month: 'short',
      timeZone: 'UTC',
    });
  return (
    <svg
      className="keys-chart"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={texts.keysForALoad(
        weeks
          .slice(-12)
          .map((one) => `${dayOf(one.week)} ${one.keys.toFixed(1)}`)
          .join(', '),
      )}
    >
      {y.ticks(4).map((tick) => (
        <g key={tick}>
          <line className="grid" x1={left} x2={width} y1={y(tick)} y2={y(tick)} />
          <text x={left - 6} y={y(tick) + 4} textAnchor="end">
            {tick}
          </text>
        </g>
      ))}
      <path d={path} />
      {weeks.map((one) => (
        <circle key={one.week} cx={x(one.week)} cy={y(one.keys)} r="2.5">
          <title>{texts.keysLoads(dayOf(one.week), one.keys.toFixed(1), one.loads)}</title>
        </circle>
      ))}
      {ends.map(
        (one, at) =>
          one && (
            <text
              key={one.week}
              x={x(one.week)}
              y={height - 4}
              textAnchor={at === 0 ? 'start' : 'end'}
            >
              {dayOf(one.week)}
            </text>
          ),
      )}
    </svg>
  );
}
