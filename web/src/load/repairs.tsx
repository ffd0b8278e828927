/**
 * After opening an old session: what could not be opened, the best match for each with the reason,
 * and one press to take them.
 */
import { useQuery } from '@tanstack/react-query';
import { Button } from 'react-bootstrap';
import type { RepairView, SessionView, SlotView } from '@clever-drawer/core/api';
import { useComputer } from '../studio/contexts.ts';
import type { SlotActs } from './model/slots.ts';
import * as texts from './texts.ts';

export function Repairs({ session, acts }: { session: SessionView; acts: SlotActs }) {
  const { client } = useComputer();
  const silent = session.tracks.flatMap((track) =>
    track.slots.filter((slot) => slot.problem !== null),
  );
  const repairs = useQuery({
    queryKey: ['repairs', client.computer, silent.map((slot) => slot.id).join()],
    queryFn: client.repairs,
    enabled: silent.length > 0,
  });
  if (silent.length === 0) {
    return null;
  }
  const list = repairs.data ?? [];
  const matched = list.filter((one) => one.match !== null);
  const messages = new Map(silent.map((slot) => [slot.id as string, slot.problem?.message ?? '']));
  const take = (some: readonly RepairView[]): void => {
    acts.step(client.repair(some.map((one) => one.slot)));
  };
  return (
    <section className="repairs" aria-labelledby="repairs-title">
      <RepairsHead silent={silent} matched={matched} take={take} />
      <ul className="plain-rows">
        {list.map((one) => (
          <RepairRow key={one.slot} one={one} messages={messages} take={take} acts={acts} />
        ))}
      </ul>
    </section>
  );
}

interface RepairsHeadProps {
  readonly silent: SlotView[];
  readonly matched: RepairView[];
  readonly take: (some: readonly RepairView[]) => void;
}

function RepairsHead({ silent, matched, take }: RepairsHeadProps) {
  return (
    <div className="repairs-head">
      <h3 id="repairs-title">{texts.ofThisSessionCould(silent.length)}</h3>
      {matched.length > 1 && (
        <Button
          size="sm"
          onClick={() => {
            take(matched);
          }}
        >
          {texts.useAll(matched.length)}
        </Button>
      )}
    </div>
  );
}

interface RepairRowProps {
  readonly one: RepairView;
  readonly messages: Map<string, string>;
  readonly take: (some: readonly RepairView[]) => void;
  readonly acts: SlotActs;
}

function RepairRow({ one, messages, take, acts }: RepairRowProps) {
  return (
    <li data-testid="repair">
      <span>
        <strong>{one.asked.name}</strong>{' '}
        <span className="text-soft">
          {one.asked.format}, {one.track}
        </span>
        <span className="why text-brick">{messages.get(one.slot)}</span>
        <span className="why">
          {one.match ? (
            <>
              {texts.bestMatch} <strong>{one.match.name}</strong>{' '}
              <span className="chip format">{one.match.format}</span>{' '}
              <span className="text-soft">
                {one.match.because}
                {!one.match.isSure && texts.aGuess}
              </span>
            </>
          ) : (
            <span className="text-soft">{texts.noSimilarPluginHereChoose}</span>
          )}
        </span>
      </span>
      <RepairActs one={one} take={take} acts={acts} />
    </li>
  );
}

interface RepairActsProps {
  readonly one: RepairView;
  readonly take: (some: readonly RepairView[]) => void;
  readonly acts: SlotActs;
}

function RepairActs({ one, take, acts }: RepairActsProps) {
  return (
    <span className="repair-acts">
      {one.match && (
        <Button
          size="sm"
          variant="quiet"
          onClick={() => {
            take([one]);
          }}
        >
          {texts.useIt}
        </Button>
      )}
      <Button
        size="sm"
        variant="bare"
        onClick={() => {
          acts.empty(one.slot);
        }}
      >
        {texts.emptyTheSlot}
      </Button>
    </span>
  );
}
