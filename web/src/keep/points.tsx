/** The points, newest first, by month; what is named stands out. */
import { BookmarkPlus } from 'lucide-react';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { nameLength } from '@clever-drawer/core/acts';
import type { PointView, PointsView } from '@clever-drawer/core/api';
import { printNumber } from '@clever-drawer/core/print-number';
import { Outside } from './outside.tsx';
import { byMonth, pointTime, pointTitle } from './model/point-words.ts';
import { usePointActs } from './use-points.ts';
import * as texts from './texts.ts';

interface Props {
  readonly view: PointsView;
  readonly chosen: string | null;
  readonly onChoose: (point: string) => void;
}

export function Points({ view, chosen, onChoose }: Props) {
  const { points, changes } = view;
  const [newest] = points;
  return (
    <section className="keep-points" aria-labelledby="points-title">
      <h1 id="points-title">{texts.pointsToReturnTo}</h1>
      <p className="keep-lead">{texts.everyChangeIsSavedAnyway}</p>
      <p className="keep-now">
        <strong>{texts.now}</strong> ·{' '}
        {newest ? texts.changeSince(changes, pointTitle(newest)) : texts.changeSoFar(changes)}
      </p>
      <MarkPoint />
      {points.length === 0 && <p className="keep-lead">{texts.noPointsYet}</p>}
      {byMonth(points, new Date()).map(([month, list]) => (
        <div key={month}>
          <h2>{month}</h2>
          <ul>
            {list.map((point) => (
              <li key={point.id}>
                <PointButton
                  point={point}
                  isChosen={point.id === chosen}
                  onChoose={() => {
                    onChoose(point.id);
                  }}
                />
              </li>
            ))}
          </ul>
        </div>
      ))}
      <Outside />
    </section>
  );
}

interface PointButtonProps {
  readonly point: PointView;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

function PointButton({ point, isChosen, onChoose }: PointButtonProps) {
  return (
    <button
      type="button"
      className={`point ${point.name === null ? '' : 'named'}`}
      aria-pressed={isChosen}
      onClick={onChoose}
    >
      <span className={point.name === null ? '' : 'hand'}>{pointTitle(point)}</span>
      <span className="point-facts">
        {texts.filed(pointTime(point, new Date()), point.folders, printNumber(point.filed))}
      </span>
    </button>
  );
}

/** Gives the order as it is a name. */
function MarkPoint() {
  const { mark: markPoint } = usePointActs();
  const [name, setName] = useState<string | null>(null);
  if (name === null) {
    return (
      <Button
        variant="quiet"
        onClick={() => {
          setName('');
        }}
      >
        <BookmarkPlus size={16} aria-hidden /> {texts.markThisPoint}
      </Button>
    );
  }
  const mark = (): void => {
    if (name.trim() !== '') {
      markPoint(name);
    }
    setName(null);
  };
  return (
    <Form
      className="mark-point"
      onSubmit={(event) => {
        event.preventDefault();
        mark();
      }}
    >
      <Form.Label htmlFor="point-name">{texts.whatIsThisPointCalled}</Form.Label>
      <Form.Control
        id="point-name"
        autoFocus
        autoComplete="off"
        placeholder={texts.beforeTheTour}
        maxLength={nameLength}
        value={name}
        onChange={(event) => {
          setName(event.target.value);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Escape') {
            setName(null);
          }
        }}
      />
      <div className="keep-acts">
        <Button type="submit">{texts.markIt}</Button>
        <Button
          variant="bare"
          onClick={() => {
            setName(null);
          }}
        >
          {texts.cancel}
        </Button>
      </div>
    </Form>
  );
}
