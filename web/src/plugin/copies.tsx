/** The copies of a plugin with their facts; joining it with another one, and parting a copy from it. */
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import type { PluginView } from '@clever-drawer/core/api';
import { copyInFront, isForOldSessions, type Plugin } from '@clever-drawer/core/catalog';
import { asId, type CopyId } from '@clever-drawer/core/id';
import { isGenericWord, makesSound, nameKeyOf, type Width } from '@clever-drawer/core/identify';
import { describe } from '@clever-drawer/core/problem';
import { useActs, useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { useNotifyError } from '../studio/notify-error.ts';
import { useSetAside } from '../studio/use-set-aside.ts';
import { useNotices } from '../ui/notices.tsx';
import { FormatOrder } from '../annotate/format-order.tsx';
import { annotateAct, ownerOf } from '../annotate/annotate.ts';
import { Picker, type Choice } from '../ui/picker.tsx';
import * as texts from './texts.ts';

type Copy = PluginView['copies'][number];

export function Copies({ plugin, view }: { plugin: Plugin; view: PluginView | undefined }) {
  const { formatOrder, answers } = useCatalog();
  const { act } = useActs();
  const first = answers.get(plugin.id)?.firstCopy ?? null;
  const front = copyInFront(plugin, { order: formatOrder, first })?.id;
  const copies = view?.copies ?? [];
  const isOld = (id: string): boolean => {
    const card = plugin.copies.find((copy) => copy.id === id);
    return card !== undefined && isForOldSessions(plugin, card, formatOrder);
  };
  const part = (copy: Copy): void => {
    act({
      act: 'part',
      copies: [copy.id],
      from: ownerOf(plugin),
      plugin: asId(crypto.randomUUID()),
    });
  };
  return (
    <section aria-labelledby="copies">
      <h2 id="copies">{texts.copies(plugin.copies.length)}</h2>
      <ul className="copies">
        {copies.map((copy) => (
          <CopyRow
            key={copy.id}
            copy={copy}
            front={front}
            copies={copies}
            isOld={isOld}
            plugin={plugin}
            part={part}
            isChosen={copy.id === first}
            preferCopy={(wanted) => {
              act(annotateAct([plugin.id], { firstCopy: wanted ? copy.id : null }));
            }}
          />
        ))}
      </ul>
      <CopiesActs plugin={plugin} />
      <OwnWords copies={copies} />
    </section>
  );
}

/** How it describes itself, and the names of what can be set on it, by the first copy that says so. */
function OwnWords({ copies }: { readonly copies: readonly Copy[] }) {
  const description = copies.find(({ facts }) => facts.description)?.facts.description;
  const controls = copies.find(({ facts }) => facts.controls)?.facts.controls ?? [];
  return (
    <>
      {description && <p className="own-words">{texts.saysOfItself(description)}</p>}
      {controls.length > 0 && (
        <details className="own-words">
          <summary>{texts.controls(controls.length)}</summary>
          <p className="text-soft">{controls.join(' · ')}</p>
        </details>
      )}
    </>
  );
}

interface CopyRowProps {
  readonly copy: Copy;
  readonly front: CopyId | undefined;
  readonly copies: readonly Copy[];
  readonly isOld: (id: string) => boolean;
  readonly plugin: Plugin;
  readonly part: (copy: Copy) => void;
  /** The user wants it first. */
  readonly isChosen: boolean;
  readonly preferCopy: (isWanted: boolean) => void;
}

/** One copy: what it is, where it lies, and what it says of itself. */
function CopyRow({ copy, front, copies, isOld, plugin, part, isChosen, preferCopy }: CopyRowProps) {
  return (
    <li>
      <p>
        <span className="chip format">{copy.facts.format}</span>{' '}
        {copy.id === front && copies.length > 1 && (
          <span className="in-front">{texts.inFront}</span>
        )}
        {isOld(copy.id) && <span className="chip">{texts.forOldSessions}</span>}{' '}
        {widthOf(copy) !== null && <span className="chip">{widthOf(copy)}</span>}{' '}
        {copy.state !== 'present' && (
          <span className="chip gone">{copy.state === 'away' ? texts.outOfReach : texts.gone}</span>
        )}{' '}
        <span className="text-soft">{factsOf(copy)}</span>
      </p>
      <p className="mono path">{copy.facts.path}</p>
      <p className="text-soft visually-quiet">
        {copy.facts.name ?? texts.onlyItsFileNameIs}
        {copy.facts.vendor !== null && ` · “${copy.facts.vendor}”`}
        {copy.facts.declared.length > 0 &&
          texts.declares(copy.facts.declared.map(short).join(', '))}
      </p>
      {plugin.copies.find(({ id }) => id === copy.id)?.lacksProgram && (
        <p className="text-brick">{texts.programMissing}</p>
      )}
      {copy.facts.problem && <Trouble copy={copy} problem={copy.facts.problem} />}
      {copy.facts.mended && (
        <p className="text-soft">
          {texts.unreadableCharactersRemoved(copy.facts.mended.join(', '))}
        </p>
      )}
      {plugin.copies.length > 1 && (
        <>
          {(isChosen || copy.id !== front) && (
            <Button
              variant="bare"
              size="sm"
              aria-pressed={isChosen}
              onClick={() => {
                preferCopy(!isChosen);
              }}
            >
              {isChosen ? texts.useTheUsualCopy : texts.useFirst}
            </Button>
          )}{' '}
          <Button
            variant="bare"
            size="sm"
            onClick={() => {
              part(copy);
            }}
          >
            {texts.splitOffAsItsOwn}
          </Button>
        </>
      )}
    </li>
  );
}

interface TroubleProps {
  readonly copy: Copy;
  readonly problem: NonNullable<Copy['facts']['problem']>;
}

/** Why a copy would not be read or opened, and what can be done about it. */
function Trouble({ copy, problem }: TroubleProps) {
  const { client } = useComputer();
  const { notify } = useNotices();
  const setAside = useSetAside();
  const again = useMutation({
    mutationFn: () => client.startScan('failed'),
    onSuccess: () => {
      notify(texts.tryingTheFailedCopyAgain, 'done');
    },
    onError: useNotifyError(),
  });
  return (
    <p className="text-brick">
      {describe(problem)}{' '}
      <Button
        variant="bare"
        size="sm"
        onClick={() => {
          again.mutate();
        }}
      >
        {texts.tryAgain}
      </Button>{' '}
      <Button
        variant="bare"
        size="sm"
        onClick={() => {
          setAside(copy.id, texts.setAside);
        }}
      >
        {texts.setItAside}
      </Button>
    </p>
  );
}

/** Joining the plugin with another one, and which copy goes in front. */
function CopiesActs({ plugin }: { plugin: Plugin }) {
  const [asking, setAsking] = useState<'join' | 'order' | null>(null);
  const close = (): void => {
    setAsking(null);
  };
  return (
    <div className="copies-acts">
      <Button
        variant="bare"
        size="sm"
        onClick={() => {
          setAsking('join');
        }}
      >
        {texts.mergeWithAnotherPlugin}
      </Button>
      {plugin.copies.length > 1 && (
        <Button
          variant="bare"
          size="sm"
          onClick={() => {
            setAsking('order');
          }}
        >
          {texts.whichCopyGoesInFront}
        </Button>
      )}
      {asking === 'order' && <FormatOrder onClose={close} />}
      {asking === 'join' && <JoinWith plugin={plugin} onClose={close} />}
    </div>
  );
}

function JoinWith({ plugin, onClose }: { plugin: Plugin; onClose: () => void }) {
  const { plugins } = useCatalog();
  const { act } = useActs();
  const { nameOf } = useArrangement();
  const navigate = useNavigate();
  const others = plugins.filter((other) => other.id !== plugin.id);
  const choices = others.map(
    (other): Choice => ({
      id: other.id,
      text: nameOf(other),
      keywords: [other.name, other.vendor ?? ''],
      show: (
        <>
          <strong>{nameOf(other)}</strong> <span className="text-soft">{other.vendor}</span>
        </>
      ),
      take: () => {
        if (act({ act: 'join', into: ownerOf(other), from: [ownerOf(plugin)] })) {
          void navigate(`/plugin/${other.id}`, { replace: true });
        }
      },
    }),
  );
  return (
    <Picker
      title={texts.mergeWith(nameOf(plugin))}
      prompt={texts.pluginName}
      choices={choices}
      onClose={onClose}
    />
  );
}

/** The width its name says it has. */
const widthOf = ({ facts }: Copy): Width | null =>
  facts.name === null
    ? null
    : nameKeyOf(facts.name, facts.vendor, makesSound(facts), isGenericWord).width;

/** The end of a class's address. */
const short = (declared: string): string => declared.split(/[#/]/).pop() ?? declared;

function factsOf({ facts }: Copy): string {
  const io =
    facts.audioIn !== null && facts.audioOut !== null
      ? texts.inOut(facts.audioIn, facts.audioOut)
      : null;
  const notes = facts.notesIn === true ? texts.notesIn : null;
  return [
    facts.version === null ? null : texts.version(facts.version),
    io,
    notes,
    facts.architectures?.join(', ') ?? null,
  ]
    .filter((part) => part !== null && part !== '')
    .join(' · ');
}
