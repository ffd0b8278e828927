/** Saying one thing of many plugins: type, kind, licence, tag, hidden. */
import { useState } from 'react';
import { Dropdown } from 'react-bootstrap';
import { allTags, licenceStates, type Kind, kindWords } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { useActs, useCatalog } from '../studio/contexts.ts';
import { MenuItem } from '../ui/menu-item.tsx';
import { Picker, type Choice } from '../ui/picker.tsx';
import { annotateAct } from './annotate.ts';
import { TrialForm as TrialDialog, TypesPicker } from './behind.ts';
import * as texts from './texts.ts';

/** What is asked for in a dialog. */
type Asked = 'type' | 'tag' | 'trial';

const offered: readonly Kind[] = ['effect', 'instrument', 'note-effect', 'tool'];

export function AnnotateMenu({ plugins }: { plugins: readonly string[] }) {
  const { answers } = useCatalog();
  const { act } = useActs();
  const [picking, setPicking] = useState<Asked | null>(null);
  const count = texts.all(plugins.length);
  const they = texts.theyAre(plugins.length);
  const tag = (text: string): void => {
    act({ act: 'tag', plugins: plugins.map((id) => asId(id)), add: [text], remove: [] });
  };
  const known = allTags(answers.values());
  const choices = known.map(
    (text): Choice => ({
      id: text,
      text,
      show: text,
      take: () => {
        tag(text);
      },
    }),
  );
  const offer = (typed: string): Choice | null =>
    typed === '' || known.includes(typed)
      ? null
      : {
          id: 'new-tag',
          text: typed,
          show: (
            <>
              {texts.aNewTag} <strong>{typed}</strong>
            </>
          ),
          take: () => {
            tag(typed);
          },
        };
  const isAllHidden = plugins.every((id) => answers.get(id)?.isHidden);
  return (
    <>
      <Choices
        count={count}
        setPicking={setPicking}
        plugins={plugins}
        isAllHidden={isAllHidden}
        they={they}
      />
      {picking === 'type' && (
        <TypesPicker
          title={texts.whatTheseDo(plugins.length)}
          onTake={(type) => {
            act(annotateAct(plugins, { types: type === null ? [] : [type] }));
          }}
          onClose={() => {
            setPicking(null);
          }}
        />
      )}
      {picking === 'trial' && (
        <TrialDialog
          plugins={plugins}
          onClose={() => {
            setPicking(null);
          }}
        />
      )}
      {picking === 'tag' && (
        <Picker
          title={texts.aTagFor(count)}
          prompt={texts.lettersOfTheTag}
          choices={choices}
          offer={offer}
          onClose={() => {
            setPicking(null);
          }}
        />
      )}
    </>
  );
}

interface ChoicesProps {
  readonly count: string;
  readonly setPicking: React.Dispatch<React.SetStateAction<Asked | null>>;
  readonly plugins: readonly string[];
  readonly isAllHidden: boolean;
  readonly they: string;
}

function Choices({ count, setPicking, plugins, isAllHidden, they }: ChoicesProps) {
  return (
    <Dropdown drop="up">
      <Dropdown.Toggle as="button" type="button" className="tray-act">
        {texts.sayOf(count)}
      </Dropdown.Toggle>
      <Said setPicking={setPicking} plugins={plugins} isAllHidden={isAllHidden} they={they} />
    </Dropdown>
  );
}

interface SaidProps {
  readonly setPicking: React.Dispatch<React.SetStateAction<Asked | null>>;
  readonly plugins: readonly string[];
  readonly isAllHidden: boolean;
  readonly they: string;
}

function Said({ setPicking, plugins, isAllHidden, they }: SaidProps) {
  const { act } = useActs();
  return (
    <Dropdown.Menu>
      <MenuItem
        onClick={() => {
          setPicking('type');
        }}
      >
        {texts.whatDoTheyDo(plugins.length)}
      </MenuItem>
      <MenuItem
        onClick={() => {
          setPicking('tag');
        }}
      >
        {texts.aTag}
      </MenuItem>
      <MenuItem
        onClick={() => {
          act(annotateAct(plugins, { isHidden: !isAllHidden }));
        }}
      >
        {isAllHidden ? texts.offerWhileLoading : texts.hideFromLoading}
      </MenuItem>
      <Dropdown.Divider />
      {offered.map((kind) => (
        <MenuItem
          key={kind}
          onClick={() => {
            act(annotateAct(plugins, { kind }));
          }}
        >
          {they} {kindWords[kind].many}
        </MenuItem>
      ))}
      <Dropdown.Divider />
      {licenceStates.map((state) => (
        <MenuItem
          key={state}
          onClick={() => {
            if (state === 'trial') {
              setPicking('trial');
            } else {
              act(annotateAct(plugins, { licence: { state, until: null } }));
            }
          }}
        >
          {they} {state === 'trial' ? texts.onTrial : state}
        </MenuItem>
      ))}
    </Dropdown.Menu>
  );
}
