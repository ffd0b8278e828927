/** Who made a plugin. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { VendorPicker } from '../../annotate/vendor-picker.tsx';
import { useComputer } from '../../studio/contexts.ts';
import { sortQuery } from '../../studio/studio-queries.ts';
import type { FieldProps } from './field.ts';
import { TakeBack } from './take-back.tsx';
import * as texts from '../texts.ts';

export function VendorField({ plugin, said, onSay }: FieldProps) {
  const { client } = useComputer();
  const sort = useQuery(sortQuery(client));
  const [isPicking, setPicking] = useState(false);
  return (
    <>
      <Button
        variant="bare"
        size="sm"
        onClick={() => {
          setPicking(true);
        }}
      >
        {plugin.vendor ?? texts.unknown} …
      </Button>
      {said.vendor !== null && (
        <TakeBack
          what={texts.vendor}
          onPress={() => {
            onSay({ vendor: null });
          }}
        />
      )}
      {isPicking && (
        <VendorPicker
          title={texts.whoMakes(plugin.name)}
          vendors={sort.data?.vendors ?? []}
          onTake={(vendor) => {
            onSay({ vendor });
          }}
          onClose={() => {
            setPicking(false);
          }}
        />
      )}
    </>
  );
}
