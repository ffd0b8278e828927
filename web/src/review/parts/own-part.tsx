/** What one owns: who makes it, of which types, in which formats, and what doubles. */
import { plural, typeName, type MakerCell, type OwnReview } from '@clever-drawer/core';
import { Bars, barsHeight } from '../pictures/bars.tsx';
import { useBehind } from '../pictures/behind.tsx';
import { Grid, gridHeight } from '../pictures/grid.tsx';
import { Picture } from '../pictures/picture.tsx';
import { DoublesList } from './doubles-list.tsx';

/** Vendors and groups that a picture has room for; the table has all. */
const shown = { vendors: 14, groups: 18 } as const;

export const groupWords = (group: string): string => (group === '' ? 'not known' : typeName(group));
export const vendorWords = (vendor: string): string => (vendor === '' ? 'no vendor' : vendor);

export function OwnPart({ review }: { readonly review: OwnReview }) {
  return (
    <div className="review-grid">
      <MakersPicture review={review} />
      <OwnedPicture review={review} />
      <FormatsPicture review={review} />
      <DoublesList review={review} />
    </div>
  );
}

const cellWords = ({ vendor, group, plugins, used, loads }: MakerCell): string =>
  `${vendorWords(vendor)}, ${groupWords(group)}: ${plural(plugins.length, 'plugin')}, ${used.length} used, ${plural(loads, 'load')}`;

function MakersPicture({ review: { makers } }: { readonly review: OwnReview }) {
  const vendors = makers.vendors.slice(0, shown.vendors);
  const groups = makers.groups.slice(0, shown.groups);
  const most = Math.max(1, ...makers.cells.map(({ loads }) => loads));
  const isMore = makers.vendors.length > vendors.length;
  return (
    <Picture
      title="Who makes what you own"
      says={`The figure is how many plugins, the depth how much they were loaded.${isMore ? ` The ${vendors.length} largest of ${makers.vendors.length} vendors; the table has all.` : ''}`}
      empty="Scan the places of your plugins: then it stands here who made them."
      figures={{
        heads: ['Vendor', 'Group', 'Plugins', 'Used', 'Loads'],
        rows: makers.cells.map(({ vendor, group, plugins, used, loads }) => [
          vendorWords(vendor),
          groupWords(group),
          plugins.length,
          used.length,
          loads,
        ]),
      }}
      height={gridHeight(vendors.length)}
    >
      {(width) => (
        <Grid
          width={width}
          rows={vendors.map((id) => ({ id, name: vendorWords(id) }))}
          columns={groups.map((id) => ({ id, name: groupWords(id) }))}
          cells={makers.cells.map((cell) => ({
            row: cell.vendor,
            column: cell.group,
            value: cell.plugins.length,
            depth: Math.sqrt(cell.loads / most) * 0.999,
            label: cellWords(cell),
            plugins: cell.plugins,
          }))}
        />
      )}
    </Picture>
  );
}

function OwnedPicture({ review: { groups } }: { readonly review: OwnReview }) {
  return (
    <Picture
      title="Owned beside used"
      says="Of each group: all you own, and filled what of it you loaded in this time."
      empty="Scan the places of your plugins: then it stands here what they are."
      figures={{
        heads: ['Group', 'Owned', 'Used', 'Loads'],
        rows: groups.map(({ group, plugins, used, loads }) => [
          groupWords(group),
          plugins.length,
          used.length,
          loads,
        ]),
      }}
      height={barsHeight(groups.length)}
    >
      {(width) => (
        <Bars
          width={width}
          unit="plugins"
          bars={groups.map(({ group, plugins, used, loads }) => ({
            id: group,
            name: groupWords(group),
            whole: plugins.length,
            part: used.length,
            says: `${used.length} of ${plugins.length}`,
            label: `${groupWords(group)}: ${plural(plugins.length, 'plugin')}, ${used.length} used, ${plural(loads, 'load')}`,
            plugins,
          }))}
        />
      )}
    </Picture>
  );
}

function FormatsPicture({ review: { formats, retirable } }: { readonly review: OwnReview }) {
  const { show } = useBehind();
  const sessions = [...new Set(retirable.flatMap((copy) => copy.sessions))];
  const oldOf = (format: string, is32Bit: boolean): OwnReview['retirable'] =>
    retirable.filter((copy) => copy.format === format && copy.is32Bit === is32Bit);
  const total = formats.reduce((sum, { copies }) => sum + copies, 0);
  const name = (format: string, is32Bit: boolean): string =>
    is32Bit ? `${format}, 32 bit` : format;
  return (
    <Picture
      title="Formats and old copies"
      says={`${plural(total, 'copy', 'copies')}; filled what a newer copy beside it makes needless.`}
      empty="Scan the places of your plugins: then it stands here in which formats you have them."
      figures={{
        heads: ['Format', 'Bits', 'Copies', 'Plugins', 'Needless'],
        rows: formats.map(({ format, is32Bit, copies, plugins }) => [
          format,
          is32Bit ? 32 : 64,
          copies,
          plugins.length,
          oldOf(format, is32Bit).length,
        ]),
      }}
      height={barsHeight(formats.length)}
      tools={
        sessions.length > 0 && (
          <button
            type="button"
            className="link-words"
            onClick={() => {
              show(
                `Old copies that ${sessions.join(', ')} still ${sessions.length === 1 ? 'asks' : 'ask'} for`,
                retirable.filter((copy) => copy.sessions.length > 0).map(({ plugin }) => plugin),
              );
            }}
          >
            asked for by {plural(sessions.length, 'session')}
          </button>
        )
      }
    >
      {(width) => (
        <Bars
          width={width}
          unit="copies"
          bars={formats.map(({ format, is32Bit, copies, plugins }) => {
            const old = oldOf(format, is32Bit);
            return {
              id: name(format, is32Bit),
              name: name(format, is32Bit),
              whole: copies,
              part: old.length,
              says: old.length > 0 ? `${copies}, ${old.length} old` : String(copies),
              label: `${name(format, is32Bit)}: ${plural(copies, 'copy', 'copies')}, ${old.length} with a newer one beside them`,
              plugins: old.length > 0 ? old.map(({ plugin }) => plugin) : plugins,
            };
          })}
        />
      )}
    </Picture>
  );
}
