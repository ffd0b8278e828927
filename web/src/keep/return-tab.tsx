/** What returning to a point would do, and doing it: all of it, or one folder, cabinet or plugin. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Dropdown, Form } from 'react-bootstrap';
import { nameLength } from '@clever-drawer/core/acts';
import type { PointComparison, PointView } from '@clever-drawer/core/api';
import type { ChangePart } from '@clever-drawer/core/keep';
import { messageOf } from '../api/client.ts';
import { useComputer, useOrder } from '../studio/contexts.ts';
import { AskFirst } from '../ui/ask-first.tsx';
import { MenuItem } from '../ui/menu-item.tsx';
import { useNotices } from '../ui/notices.tsx';
import { ChangeLines } from './change-lines.tsx';
import { pointTime, pointTitle } from './model/point-words.ts';
import { usePointActs } from './use-points.ts';
import * as texts from './texts.ts';

interface Props {
  readonly point: PointView | undefined;
  readonly points: readonly PointView[];
}

export function ReturnTab({ point, points }: Props) {
  if (!point) {
    return (
      <section className="keep-sheet">
        <h2>{texts.noPointYet}</h2>
        <p className="text-soft">{texts.markThisPointFirst}</p>
      </section>
    );
  }
  return <Chosen key={point.id} point={point} points={points} />;
}

function Chosen({
  point,
  points,
}: {
  readonly point: PointView;
  readonly points: Props['points'];
}) {
  const { client } = useComputer();
  const { order } = useOrder();
  const [from, setFrom] = useState<string | null>(null);
  const comparison = useQuery({
    queryKey: ['points', client.computer, order.revision, point.id, from],
    queryFn: () => client.comparePoint(point.id, from),
  });
  return (
    <section className="keep-sheet" aria-labelledby="return-title">
      <h2 id="return-title">{texts.returnTo(pointTitle(point))}</h2>
      <p className="text-soft">{texts.thisIsOneChange}</p>
      <ReturnActs point={point} comparison={from === null ? comparison.data : undefined} />
      <Form.Group className="against" controlId="against">
        <Form.Label>{texts.compareWith}</Form.Label>
        <Form.Select
          size="sm"
          value={from ?? ''}
          onChange={(event) => {
            setFrom(event.target.value === '' ? null : event.target.value);
          }}
        >
          <option value="">{texts.asItIsNow}</option>
          {points
            .filter(({ id }) => id !== point.id)
            .map((other) => (
              <option key={other.id} value={other.id}>
                {pointTitle(other)} · {pointTime(other, new Date())}
              </option>
            ))}
        </Form.Select>
      </Form.Group>
      {comparison.error && <p role="alert">{comparison.error.message}</p>}
      {comparison.data && <ChangeLines change={comparison.data.change} way="return" />}
    </section>
  );
}

interface ReturnActsProps {
  readonly point: PointView;
  readonly comparison: PointComparison | undefined;
}

function ReturnActs({ point, comparison }: ReturnActsProps) {
  const { client } = useComputer();
  const { notify } = useNotices();
  const goBack = (part: ChangePart | null): void => {
    client.returnTo(point.id, part).then(
      ({ words }) => {
        notify(words, 'done');
      },
      (error: unknown) => {
        notify(messageOf(error), 'trouble');
      },
    );
  };
  const isSame = comparison?.change.lines.length === 0;
  return (
    <div className="keep-acts">
      {comparison && !isSame && (
        <>
          <Button
            onClick={() => {
              goBack(null);
            }}
          >
            {texts.returnToIt}
          </Button>
          <OnlyPart comparison={comparison} onTake={goBack} />
        </>
      )}
      <a className="btn btn-quiet" href={client.pointAddress(point.id)} download="order.json">
        {texts.exportToAFile}
      </a>
      <PointMenu point={point} />
    </div>
  );
}

interface OnlyPartProps {
  readonly comparison: PointComparison;
  readonly onTake: (part: ChangePart) => void;
}

/** Choices of each sort shown in the menu. */
const partsShown = 60;

/** One folder, one cabinet, or what is said of one plugin. */
function OnlyPart({ comparison: { folders, cabinets, plugins }, onTake }: OnlyPartProps) {
  const sorts = [
    [texts.folders, 'folder', folders],
    [texts.cabinets, 'cabinet', cabinets],
    [texts.answersFor, 'plugin', plugins],
  ] as const;
  return (
    <Dropdown>
      <Dropdown.Toggle variant="quiet">{texts.onlyAPart}</Dropdown.Toggle>
      <Dropdown.Menu className="keep-menu">
        {sorts.map(
          ([words, sort, parts]) =>
            parts.length > 0 && (
              <div key={sort} role="group" aria-label={words}>
                <Dropdown.Header>{words}</Dropdown.Header>
                {parts.slice(0, partsShown).map(({ id, name }) => (
                  <MenuItem
                    key={id}
                    onClick={() => {
                      onTake({ [sort]: id });
                    }}
                  >
                    {name}
                  </MenuItem>
                ))}
              </div>
            ),
        )}
      </Dropdown.Menu>
    </Dropdown>
  );
}

/** Naming a point, by which it stays, and removing it. */
function PointMenu({ point }: { readonly point: PointView }) {
  const { rename, remove } = usePointActs();
  const [name, setName] = useState<string | null>(null);
  if (name !== null) {
    return (
      <Form
        className="name-point"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() !== '') {
            rename(point, name);
          }
          setName(null);
        }}
      >
        <Form.Control
          size="sm"
          autoFocus
          aria-label={texts.nameOfThePoint}
          maxLength={nameLength}
          value={name}
          onChange={(event) => {
            setName(event.target.value);
          }}
        />
        <Button type="submit" size="sm">
          {texts.save}
        </Button>
      </Form>
    );
  }
  return (
    <>
      <Button
        variant="bare"
        onClick={() => {
          setName(point.name ?? '');
        }}
      >
        {point.name === null ? texts.nameIt : texts.rename}
      </Button>
      <AskFirst
        label={texts.deleteThisPoint}
        question={texts.isThePointDeleted(pointTitle(point))}
        onSure={() => {
          remove(point);
        }}
      />
    </>
  );
}
