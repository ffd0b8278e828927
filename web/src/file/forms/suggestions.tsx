/** Likely folders for what is in none yet: one by one, or all that are clear; nothing is filed by itself. */
import { useMemo, useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { isPresent, type Plugin } from '@clever-drawer/core/catalog';
import { grouped } from '@clever-drawer/core/grouped';
import { asId } from '@clever-drawer/core/id';
import { clearFrom, createSuggester, type FolderSuggestion } from '@clever-drawer/core/plans';
import { useActs, useArrangement, useCatalog } from '../../studio/contexts.ts';
import { fileAct } from '../../annotate/filing.ts';
import * as formTexts from './texts.ts';
import * as texts from '../texts.ts';

/** Plugins shown at once; what is loaded most comes first. */
const shown = 120;

export function Suggestions({ onClose }: { onClose: () => void }) {
  const { plugins, pluginById, usage } = useCatalog();
  const { act } = useActs();
  const { arrangement } = useArrangement();
  const suggest = useMemo(
    () => createSuggester(arrangement.folders, arrangement.members, pluginById),
    [arrangement, pluginById],
  );
  const [skipped, setSkipped] = useState<ReadonlySet<string>>(() => new Set());
  const unfiled = useMemo(
    () =>
      plugins
        .filter((plugin) => isPresent(plugin) && !arrangement.foldersOf.has(plugin.id))
        .sort((a, b) => (usage.get(b.id)?.warmth ?? 0) - (usage.get(a.id)?.warmth ?? 0)),
    [plugins, arrangement, usage],
  );
  const offers = useMemo(
    () =>
      unfiled.flatMap((plugin) => {
        const found = suggest(plugin, 3);
        return found.length > 0 ? [{ plugin, found }] : [];
      }),
    [unfiled, suggest],
  );
  const open = offers.filter(({ plugin }) => !skipped.has(plugin.id));
  const clear = open.filter(({ found }) => (found[0]?.score ?? 0) >= clearFrom);
  const folderName = (id: string): string =>
    arrangement.folders.find((folder) => folder.id === id)?.name ?? '';
  const fileClear = (): void => {
    const byFolder = grouped(
      clear.flatMap(({ plugin, found }) =>
        found[0] ? [[found[0].folder, plugin.id] as const] : [],
      ),
    );
    act({
      act: 'file-each',
      entries: [...byFolder].map(([folder, ids]) => ({
        folder: asId(folder),
        plugins: ids.map((id) => ({ placement: asId(crypto.randomUUID()), plugin: id })),
      })),
    });
  };
  return (
    <Modal
      show
      onHide={onClose}
      animation={false}
      size="lg"
      scrollable
      aria-labelledby="suggestions-title"
    >
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="suggestions-title">
          {unfiled.length === 0
            ? formTexts.everythingIsInAFolder
            : formTexts.unfiledAndLikely(unfiled.length, open.length)}
        </Modal.Title>
      </Modal.Header>
      <Offers open={open} unfiled={unfiled} folderName={folderName} setSkipped={setSkipped} />
      <Modal.Footer>
        <Button variant="bare" onClick={onClose}>
          {formTexts.closeRules}
        </Button>
        {clear.length > 0 && (
          <Button onClick={fileClear}>{formTexts.fileSureMatches(clear.length)}</Button>
        )}
      </Modal.Footer>
    </Modal>
  );
}

interface OffersProps {
  readonly open: { plugin: Plugin; found: FolderSuggestion[] }[];
  readonly unfiled: Plugin[];
  readonly folderName: (id: string) => string;
  readonly setSkipped: React.Dispatch<React.SetStateAction<ReadonlySet<string>>>;
}

function Offers({ open, unfiled, folderName, setSkipped }: OffersProps) {
  const { nameOf } = useArrangement();
  const { usage } = useCatalog();
  return (
    <Modal.Body tabIndex={0}>
      {open.length === 0 && (
        <p className="text-soft">
          {unfiled.length === 0
            ? formTexts.newArrivalsAppearHere
            : formTexts.noSuggestionsForTheRest}
        </p>
      )}
      <ul className="suggestions">
        {open.slice(0, shown).map(({ plugin, found }) => (
          <Offer
            key={plugin.id}
            plugin={plugin}
            name={nameOf(plugin)}
            loads={usage.get(plugin.id)?.loads ?? 0}
            found={found}
            folderName={folderName}
            onSkip={() => {
              setSkipped((before) => new Set([...before, plugin.id]));
            }}
          />
        ))}
      </ul>
      {open.length > shown && <p className="text-soft">{texts.andMore(open.length - shown)}</p>}
    </Modal.Body>
  );
}

interface OfferProps {
  readonly plugin: Plugin;
  readonly name: string;
  readonly loads: number;
  readonly found: readonly FolderSuggestion[];
  readonly folderName: (id: string) => string;
  readonly onSkip: () => void;
}

function Offer({ plugin, name, loads, found, folderName, onSkip }: OfferProps) {
  const { act } = useActs();
  return (
    <li>
      <span>
        <strong>{name}</strong>
        <span className="text-soft">
          {' '}
          {plugin.vendor}
          {loads > 0 && formTexts.loadedTimes(loads)}
        </span>
        <span className="text-soft visually-quiet d-block">{found[0]?.reason}</span>
      </span>
      <span className="offer-folders">
        {found.map((one) => (
          <Button
            key={one.folder}
            size="sm"
            variant="quiet"
            className="hand"
            title={one.reason}
            onClick={() => {
              act(fileAct(asId(one.folder), [plugin.id]));
            }}
          >
            {folderName(one.folder)}
          </Button>
        ))}
        <Button size="sm" variant="bare" onClick={onSkip}>
          {formTexts.none}
        </Button>
      </span>
    </li>
  );
}
