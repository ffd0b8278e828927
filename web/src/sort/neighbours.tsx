/** Below a question: what the marked answer would put the plugin beside. */
import { useMemo } from 'react';
import { plural, pluginsAsked, typeName, type Question } from '@clever-drawer/core';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { Faceplate } from '../ui/faceplate.tsx';
import { neighboursOf } from './model/neighbours.ts';

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
    return (
      <p className="neighbours text-soft">Nothing else in the catalog is {typeName(type)} yet.</p>
    );
  }
  const { folder } = found;
  return (
    <section className="neighbours" aria-label={`Others that are ${typeName(type)}`}>
      <h2>
        {typeName(type)} already: {plural(found.count, 'plugin')}
      </h2>
      {folder && (
        <p className="text-soft">
          {folder.count} of them stand in <span className="label small">{folder.name}</span>
          {cabinet && ` of ${cabinet.name}`}.
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
              <span className="vendor">{plugin.vendor ?? 'no vendor named'}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
