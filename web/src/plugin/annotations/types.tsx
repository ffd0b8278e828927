/** What a plugin does. */
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { AnswerFacts } from '@clever-drawer/core/catalog';
import { typeName } from '@clever-drawer/core/taxonomy';
import { TypesPicker } from '../../annotate/behind.ts';
import type { FieldProps } from './field.ts';
import { TakeBack } from './take-back.tsx';
import * as texts from '../texts.ts';

export function Types({ plugin, said, onSay }: FieldProps) {
  const [isPicking, setPicking] = useState(false);
  const without = (type: string): string[] => plugin.types.filter((each) => each !== type);
  return (
    <>
      {plugin.types.map((type) => (
        <TypeChip key={type} type={type} onSay={onSay} without={without} />
      ))}
      <Button
        variant="bare"
        size="sm"
        onClick={() => {
          setPicking(true);
        }}
      >
        <Plus size={13} aria-hidden /> {texts.type}
      </Button>
      {said.types !== null && (
        <TakeBack
          what={texts.types}
          onPress={() => {
            onSay({ types: null });
          }}
        />
      )}
      {isPicking && (
        <TypesPicker
          title={texts.anotherTypeOf(plugin.name)}
          onTake={(type) => {
            onSay({ types: type === null ? [] : [...without(type), type] });
          }}
          onClose={() => {
            setPicking(false);
          }}
        />
      )}
    </>
  );
}

interface TypeChipProps {
  readonly type: string;
  readonly onSay: (set: Partial<AnswerFacts>) => void;
  readonly without: (type: string) => string[];
}

function TypeChip({ type, onSay, without }: TypeChipProps) {
  return (
    <span className="chip">
      {typeName(type)}
      <button
        type="button"
        aria-label={texts.removeTheType(typeName(type))}
        onClick={() => {
          onSay({ types: without(type) });
        }}
      >
        <X size={12} aria-hidden />
      </button>
    </span>
  );
}
