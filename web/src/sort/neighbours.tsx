/** Below a question: what the marked answer would put the plugin beside. */
import { useMemo } from 'react';
import { pluginsAsked, type Question } from '@clever-drawer/core/identify';
import { typeName } from '@clever-drawer/core/taxonomy';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { Faceplate } from '../ui/faceplate.tsx';
import { neighboursOf } from './model/neighbours.ts';
import * as texts from './texts.ts';

export function NeighboursOf({ question, type }: { question: Question; type: string }) {
  const { plugins, usage, pictureOf } = useCatalog();
  const { arrangement, cabinet, nameOf } = useArrangement();
  const { foldersOf } = arrangement;
  const found = useMemo(() => {
    const asked = new Set<string>(pluginsAsked(question).map(({ id }) => id));
    const loads = (id: string): number => usage.get(id)?.loads ?? 0;
    return neighboursOf(type, asked, plugins, loads, foldersOf);
  }, [question, type, plugins, usage, foldersOf]);
  if (found.count === 0) {
    return <p className="neighbours text-soft">{texts.noOtherInTheCatalog(typeName(type))}</p>;
  }
  const { folder } = found;
  return (
    <section className="neighbours" aria-label={texts.othersOfType(typeName(type))}>
      <h2>{texts.already(typeName(type), found.count)}</h2>
      {folder && (
        <p className="text-soft">
          {texts.ofThemAreIn(folder.count)} <span className="label small">{folder.name}</span>
          {cabinet && texts.cabinetOf(cabinet.name)}.
        </p>
      )}
      <ul>
        {found.plugins.map((plugin) => (
          <li key={plugin.id}>
            <Faceplate seed={plugin.id} width={44} picture={pictureOf(plugin)} />
            <span className="names">
              <span className="name">
                <span className="cut">{nameOf(plugin)}</span>
              </span>
              <span className="vendor">{plugin.vendor ?? texts.noVendorNamed}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
