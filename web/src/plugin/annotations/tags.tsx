/** Words of one's own on a plugin. */
import { X } from 'lucide-react';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { allTags, type Plugin } from '@clever-drawer/core/catalog';
import { AllTags } from '../../annotate/all-tags.tsx';
import { useActs, useCatalog } from '../../studio/contexts.ts';
import * as texts from '../texts.ts';

interface Props {
  readonly plugin: Plugin;
  readonly tags: readonly string[];
}

export function Tags({ plugin, tags }: Props) {
  const [isListing, setListing] = useState(false);
  return (
    <>
      <TagChips plugin={plugin} tags={tags} />
      <NewTag plugin={plugin} tags={tags} />
      <button
        type="button"
        className="btn btn-bare btn-sm"
        onClick={() => {
          setListing(true);
        }}
      >
        {texts.allTags}
      </button>
      {isListing && (
        <AllTags
          onClose={() => {
            setListing(false);
          }}
        />
      )}
    </>
  );
}

function TagChips({ plugin, tags }: Props) {
  const { act } = useActs();
  return tags.map((tag) => (
    <span key={tag} className="chip">
      {tag}
      <button
        type="button"
        aria-label={texts.removeTheTag(tag)}
        onClick={() => {
          act({ act: 'tag', plugins: [plugin.id], add: [], remove: [tag] });
        }}
      >
        <X size={12} aria-hidden />
      </button>
    </span>
  ));
}

function NewTag({ plugin, tags }: Props) {
  const { answers } = useCatalog();
  const { act } = useActs();
  const [typed, setTyped] = useState('');
  const known = allTags(answers.values()).filter((tag) => !tags.includes(tag));
  const add = (): void => {
    if (
      typed.trim() !== '' &&
      act({ act: 'tag', plugins: [plugin.id], add: [typed.trim()], remove: [] })
    ) {
      setTyped('');
    }
  };
  return (
    <>
      <Form.Control
        id="tag"
        size="sm"
        className="tag-field"
        placeholder={texts.aTag}
        list="known-tags"
        maxLength={60}
        autoComplete="off"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            add();
          }
        }}
        onBlur={add}
      />
      <datalist id="known-tags">
        {known.map((tag) => (
          <option key={tag} value={tag} />
        ))}
      </datalist>
    </>
  );
}
