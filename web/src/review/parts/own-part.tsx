/** What one owns: who makes it, of which types, in which formats, and what doubles. */
import type { MakerCell, OwnReview } from '@clever-drawer/core/review';
import { typeName } from '@clever-drawer/core/taxonomy';
import { Bars, barsHeight } from '../pictures/bars.tsx';
import { useBehind } from '../pictures/behind.tsx';
import { Grid, gridHeight } from '../pictures/grid.tsx';
import { Picture } from '../pictures/picture.tsx';
import { DoublesList } from './doubles-list.tsx';
import * as texts from '../texts.ts';

/** Vendors and groups that a picture has room for; the table has all. */
const shown = { vendors: 14, groups: 18 } as const;

export const groupWords = (group: string): string =>
  group === '' ? texts.notKnown : typeName(group);
export const vendorWords = (vendor: string): string => (vendor === '' ? texts.noVendor : vendor);

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
  texts.ownedOfVendor(vendorWords(vendor), groupWords(group), plugins.length, used.length, loads);

function MakersPicture({ review: { makers } }: { readonly review: OwnReview }) {
  const vendors = makers.vendors.slice(0, shown.vendors);
  const groups = makers.groups.slice(0, shown.groups);
  const most = Math.max(1, ...makers.cells.map(({ loads }) => loads));
  const isMore = makers.vendors.length > vendors.length;
  return (
    <Picture
      title={texts.whoMakesWhatYouOwn}
      says={texts.numberOfPlugins(isMore, vendors.length, makers.vendors.length)}
      empty={texts.scanToSeeWhoMadeThem}
      figures={{
        heads: [texts.vendor, texts.group, texts.plugins, texts.usedColumn, texts.loads],
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
      title={texts.ownedBesideUsed}
      says={texts.forEachGroupAllYou}
      empty={texts.scanToSeeWhatTheyAre}
      figures={{
        heads: [texts.group, texts.owned, texts.usedColumn, texts.loads],
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
          unit={texts.pluginsUnit}
          bars={groups.map(({ group, plugins, used, loads }) => ({
            id: group,
            name: groupWords(group),
            whole: plugins.length,
            part: used.length,
            says: texts.countOfPlugins(used.length, plugins.length),
            label: texts.ownedOfGroup(groupWords(group), plugins.length, used.length, loads),
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
    is32Bit ? texts.formatOf32Bit(format) : format;
  return (
    <Picture
      title={texts.formatsAndOldCopies}
      says={texts.copiesFilledWhatANewerCopy(total)}
      empty={texts.scanToSeeTheirFormats}
      figures={{
        heads: [texts.format, texts.bits, texts.copies, texts.plugins, texts.replaced],
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
                texts.oldCopiesThatStillFor(sessions.join(', '), sessions.length),
                retirable.filter((copy) => copy.sessions.length > 0).map(({ plugin }) => plugin),
              );
            }}
          >
            {texts.askedForBy(sessions.length)}
          </button>
        )
      }
    >
      {(width) => (
        <Bars
          width={width}
          unit={texts.copiesUnit}
          bars={formats.map(({ format, is32Bit, copies, plugins }) => {
            const old = oldOf(format, is32Bit);
            return {
              id: name(format, is32Bit),
              name: name(format, is32Bit),
              whole: copies,
              part: old.length,
              says: old.length > 0 ? texts.old(copies, old.length) : String(copies),
              label: texts.withANewerOneBesideThem(name(format, is32Bit), copies, old.length),
              plugins: old.length > 0 ? old.map(({ plugin }) => plugin) : plugins,
            };
          })}
        />
      )}
    </Picture>
  );
}
