/** Which time and which plugins are looked at. */
import { Form } from 'react-bootstrap';
import { useMemo } from 'react';
import { compareNames, kinds, kindWords, trackKinds, trackWords } from '@clever-drawer/core';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { periods } from './model/wish.ts';

interface Props {
  readonly params: URLSearchParams;
  readonly onChange: (change: Readonly<Record<string, string | null>>) => void;
}

interface Choice {
  readonly name: string;
  readonly label: string;
  readonly any: string;
  readonly options: readonly { readonly value: string; readonly words: string }[];
}

export function WishBar({ params, onChange }: Props) {
  const { plugins } = useCatalog();
  const { cabinets } = useArrangement();
  const vendors = useMemo(
    () => [...new Set(plugins.flatMap(({ vendor }) => vendor ?? []))].sort(compareNames),
    [plugins],
  );
  const choices: readonly Choice[] = [
    {
      name: 'period',
      label: 'Time',
      any: 'of the last year',
      options: periods
        .filter(({ id }) => id !== 'year')
        .map(({ id, words }) => ({ value: id, words })),
    },
    {
      name: 'kind',
      label: 'Kind',
      any: 'all kinds',
      options: kinds.map((kind) => ({ value: kind, words: kindWords[kind].many })),
    },
    {
      name: 'track',
      label: 'Sort of track',
      any: 'on all tracks',
      options: trackKinds.map((track) => ({ value: track, words: `on ${trackWords[track]}` })),
    },
    {
      name: 'cabinet',
      label: 'Cabinet',
      any: 'in all cabinets',
      options: cabinets.map(({ id, name }) => ({ value: id, words: `in ${name}` })),
    },
    {
      name: 'vendor',
      label: 'Vendor',
      any: 'by everybody',
      options: vendors.map((vendor) => ({ value: vendor, words: `by ${vendor}` })),
    },
  ];
  return (
    <search className="wish-bar" aria-label="What is looked at">
      {choices.map(({ name, label, any, options }) => (
        <Form.Select
          key={name}
          size="sm"
          aria-label={label}
          value={params.get(name) ?? ''}
          onChange={(event) => {
            onChange({ [name]: event.target.value });
          }}
        >
          <option value="">{any}</option>
          {options.map(({ value, words }) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </Form.Select>
      ))}
    </search>
  );
}
