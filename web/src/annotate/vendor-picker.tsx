/** Finding a vendor that is known, or naming one that is not. */
import type { Vendor } from '@clever-drawer/core/identify';
import { Picker, type Choice } from '../ui/picker.tsx';
import * as texts from './texts.ts';

interface Props {
  readonly title: string;
  readonly vendors: readonly Vendor[];
  readonly onTake: (vendor: string) => void;
  readonly onClose: () => void;
}

export function VendorPicker({ title, vendors, onTake, onClose }: Props) {
  const choices = vendors.map(
    (vendor): Choice => ({
      id: vendor.name,
      text: vendor.name,
      keywords: vendor.spellings.map((s) => s.spelling),
      take: () => {
        onTake(vendor.name);
      },
      show: (
        <>
          <span>{vendor.name}</span>
          <span className="text-soft">
            {vendor.count} {texts.copies(vendor.count)}
          </span>
        </>
      ),
    }),
  );
  const offer = (typed: string): Choice | null =>
    typed === '' || vendors.some((v) => v.name.toLowerCase() === typed.toLowerCase())
      ? null
      : {
          id: 'new-vendor',
          text: typed,
          take: () => {
            onTake(typed);
          },
          show: (
            <>
              {texts.anotherVendor} <strong>{typed}</strong>
            </>
          ),
        };
  return (
    <Picker
      title={title}
      prompt={texts.vendorName}
      choices={choices}
      offer={offer}
      onClose={onClose}
    />
  );
}
