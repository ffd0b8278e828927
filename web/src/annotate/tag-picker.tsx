/** A tag for plugins, by its letters or a new one; those that they have are taken off. */
import { allTags } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { useActs, useCatalog } from '../studio/contexts.ts';
import { Picker, type Choice } from '../ui/picker.tsx';
import * as texts from './texts.ts';

interface Props {
  readonly plugins: readonly string[];
  readonly onClose: () => void;
}

export function TagPicker({ plugins, onClose }: Props) {
  const { answers } = useCatalog();
  const { act } = useActs();
  const change = (add: readonly string[], remove: readonly string[]) => (): void => {
    act({ act: 'tag', plugins: plugins.map((id) => asId(id)), add, remove });
  };
  const tagsOf = (id: string): readonly string[] => answers.get(id)?.tags ?? [];
  const known = allTags(answers.values());
  const isOnSome = (tag: string): boolean => plugins.some((id) => tagsOf(id).includes(tag));
  const isOnAll = (tag: string): boolean => plugins.every((id) => tagsOf(id).includes(tag));
  const choices = [
    ...known
      .filter((tag) => !isOnAll(tag))
      .map((tag): Choice => ({ id: tag, text: tag, show: tag, take: change([tag], []) })),
    ...known.filter(isOnSome).map(
      (tag): Choice => ({
        id: `off ${tag}`,
        text: tag,
        show: (
          <>
            {tag} <span className="text-soft">{texts.takeTheTagOff}</span>
          </>
        ),
        take: change([], [tag]),
      }),
    ),
  ];
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
          take: change([typed], []),
        };
  return (
    <Picker
      title={texts.aTagFor(texts.all(plugins.length))}
      prompt={texts.tagName}
      choices={choices}
      offer={offer}
      onClose={onClose}
    />
  );
}
