/** All tags of the catalog: renamed or taken off everywhere, each as one change. */
import { Pencil, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { answerLimits } from '@clever-drawer/core/catalog';
import { asId, type PluginId } from '@clever-drawer/core/id';
import { useActs, useCatalog } from '../studio/contexts.ts';
import { taggedWith, type Tagged } from './tagged-with.ts';
import * as texts from './texts.ts';

export function AllTags({ onClose }: { onClose: () => void }) {
  const { answers } = useCatalog();
  const { act } = useActs();
  const [renaming, setRenaming] = useState<string | null>(null);
  const tags = taggedWith(answers);
  const change = ({ tag, plugins }: Tagged, to: string | null): void => {
    const ids = plugins.map((id) => asId<PluginId>(id));
    if (act({ act: 'tag', plugins: ids, add: to === null ? [] : [to], remove: [tag] })) {
      setRenaming(null);
    }
  };
  return (
    <Modal show onHide={onClose} animation={false} scrollable aria-labelledby="tags-title">
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="tags-title">
          {texts.allTags}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p className="text-soft">
          {tags.length === 0 ? texts.noTagsYetAddOne : texts.renamingATagToAn}
        </p>
        <ul className="all-tags">
          {tags.map((tagged) => (
            <li key={tagged.tag}>
              {renaming === tagged.tag ? (
                <RenameTag
                  tag={tagged.tag}
                  onRename={(to) => {
                    change(tagged, to);
                  }}
                  onCancel={() => {
                    setRenaming(null);
                  }}
                />
              ) : (
                <TagRow
                  tagged={tagged}
                  onRename={() => {
                    setRenaming(tagged.tag);
                  }}
                  onRemove={() => {
                    change(tagged, null);
                  }}
                />
              )}
            </li>
          ))}
        </ul>
      </Modal.Body>
    </Modal>
  );
}

interface TagRowProps {
  readonly tagged: Tagged;
  readonly onRename: () => void;
  readonly onRemove: () => void;
}

function TagRow({ tagged: { tag, plugins }, onRename, onRemove }: TagRowProps) {
  return (
    <>
      <span className="chip">{tag}</span>
      <span className="text-soft">{texts.plugin(plugins.length)}</span>
      <Button variant="quiet" size="sm" aria-label={texts.renameTheTag(tag)} onClick={onRename}>
        <Pencil size={14} aria-hidden /> {texts.rename}
      </Button>
      <Button
        variant="quiet"
        size="sm"
        aria-label={texts.removeTheTagEverywhere(tag)}
        onClick={onRemove}
      >
        <Trash2 size={14} aria-hidden /> {texts.remove}
      </Button>
    </>
  );
}

interface RenameTagProps {
  readonly tag: string;
  readonly onRename: (to: string) => void;
  readonly onCancel: () => void;
}

function RenameTag({ tag, onRename, onCancel }: RenameTagProps) {
  const [typed, setTyped] = useState(tag);
  const to = typed.trim();
  return (
    <Form
      className="rename-tag"
      onSubmit={(event) => {
        event.preventDefault();
        if (to === '' || to === tag) {
          onCancel();
        } else {
          onRename(to);
        }
      }}
    >
      <Form.Control
        size="sm"
        autoFocus
        autoComplete="off"
        aria-label={texts.newNameOfTheTag(tag)}
        maxLength={answerLimits.tag}
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
        }}
        onFocus={(event) => {
          event.target.select();
        }}
      />
      <Button type="submit" size="sm">
        {texts.renameIt}
      </Button>
      <Button variant="bare" size="sm" onClick={onCancel}>
        {texts.cancel}
      </Button>
    </Form>
  );
}
