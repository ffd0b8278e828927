/** Finding one type of the whole tree by a few letters. */
import { groupOf, typeGroups, typeName } from '@clever-drawer/core/taxonomy';
import { Picker, type Choice } from '../ui/picker.tsx';
import * as texts from './texts.ts';

export interface TypesPickerProps {
  readonly title: string;
  readonly onTake: (type: string | null) => void;
  readonly onClose: () => void;
}

/** Null stands for "no type". */
export function TypesPicker({ title, onTake, onClose }: TypesPickerProps) {
  const choices = typeGroups
    .flatMap((group) => [group.id, ...group.types.map((type) => type.id)])
    .map((type): Choice => {
      const group = groupOf(type);
      return {
        id: type,
        text: typeName(type),
        keywords: [typeName(group)],
        take: () => {
          onTake(type);
        },
        show: (
          <>
            <span className={type === group ? 'fw-semibold' : ''}>{typeName(type)}</span>
            {type !== group && <span className="text-soft">{typeName(group)}</span>}
          </>
        ),
      };
    });
  const nothing: Choice = {
    id: 'none',
    text: texts.noTypeOfThese,
    take: () => {
      onTake(null);
    },
    show: <span className="text-soft">{texts.noTypeOfThese}</span>,
  };
  return (
    <Picker
      title={title}
      prompt={texts.typeName}
      choices={[...choices, nothing]}
      onClose={onClose}
    />
  );
}
