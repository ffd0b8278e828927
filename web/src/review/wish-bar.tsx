/** Which time and which plugins are looked at. */
import { Form } from 'react-bootstrap';
import { useMemo } from 'react';
import { kinds, kindWords } from '@clever-drawer/core/catalog';
import { trackKinds, trackWords } from '@clever-drawer/core/loading';
import { periods } from '@clever-drawer/core/review';
import { compareNames } from '@clever-drawer/core/text';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import * as texts from './texts.ts';

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
      label: texts.time,
      any: texts.periodWords.year,
      options: periods
        .filter(({ id }) => id !== 'year')
        .map(({ id }) => ({ value: id, words: texts.periodWords[id] })),
    },
    {
      name: 'kind',
      label: texts.kind,
      any: texts.allKinds,
      options: kinds.map((kind) => ({ value: kind, words: kindWords[kind].many })),
    },
    {
      name: 'track',
      label: texts.sortOfTrack,
      any: texts.onAllTracks,
      options: trackKinds.map((track) => ({
        value: track,
        words: texts.onTracks(trackWords[track]),
      })),
    },
    {
      name: 'cabinet',
      label: texts.cabinet,
      any: texts.inAllCabinets,
      options: cabinets.map(({ id, name }) => ({ value: id, words: texts.inTheCabinet(name) })),
    },
    {
      name: 'vendor',
      label: texts.vendor,
      any: texts.byEverybody,
      options: vendors.map((vendor) => ({ value: vendor, words: texts.byTheVendor(vendor) })),
    },
  ];
  return (
    <search className="wish-bar" aria-label={texts.filters}>
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
