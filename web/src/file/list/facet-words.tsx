/**
 * The further facts of the sentence: those that are set, each pressed away again, and a menu of the
 * others.
 */
import { Fragment, useMemo } from 'react';
import { allTags } from '@clever-drawer/core/catalog';
import {
  facetValues,
  facets,
  sinceTime,
  type Facet,
  type Filter,
} from '@clever-drawer/core/search';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import { sayTime } from '../../ui/time-words.ts';
import { FacetOptions } from '../forms/behind.ts';
import { Menu } from '../../ui/menu.tsx';
import * as texts from '../texts.ts';

export function FacetWords({
  filter,
  setFilter,
}: {
  filter: Filter;
  setFilter: (change: Partial<Filter>) => void;
}) {
  const { answers } = useCatalog();
  const { arrangement } = useArrangement();
  const tags = useMemo(() => allTags(answers.values()), [answers]);
  const folders = useMemo(
    () =>
      new Map(
        arrangement.folders
          .filter((folder) => folder.form !== 'divider')
          .map((folder) => [folder.id as string, folder.name]),
      ),
    [arrangement.folders],
  );
  const valuesOf = (facet: Facet): readonly string[] => {
    if (facet === 'tag') {
      return tags;
    }
    if (facet === 'folder') {
      return [...folders.keys()];
    }
    return facetValues[facet];
  };
  const textOf = (facet: Facet, value: string): string => {
    if (facet === 'tag') {
      return texts.tagged(value);
    }
    if (facet === 'folder') {
      return texts.inTheFolder(folders.get(value) ?? texts.aFolderThatIsGone);
    }
    if (facet === 'arrived' && value.startsWith(sinceTime)) {
      return texts.arrivedSince(sayTime(value.slice(sinceTime.length)));
    }
    return texts.facetTexts[`${facet} ${value}`] ?? `${facet} ${value}`;
  };
  const set = (facet: Facet, value: string | null): void => {
    const rest = Object.fromEntries(
      Object.entries(filter.facets).filter(([name]) => name !== facet),
    );
    setFilter({ facets: value === null ? rest : { ...rest, [facet]: value } });
  };
  return (
    <>
      {facets.map((facet) => {
        const value = filter.facets[facet];
        return (
          value !== undefined && (
            <SetFacet key={facet} set={set} facet={facet} textOf={textOf} value={value} />
          )
        );
      })}
      , <MoreFacets set={set} valuesOf={valuesOf} filter={filter} textOf={textOf} />
    </>
  );
}

interface SetFacetProps {
  readonly set: (facet: Facet, value: string | null) => void;
  readonly facet: 'bits' | 'licence' | 'state' | 'tag' | 'folder' | 'arrived' | 'loaded';
  readonly textOf: (facet: Facet, value: string) => string;
  readonly value: string;
}

function SetFacet({ set, facet, textOf, value }: SetFacetProps) {
  return (
    <Fragment>
      ,{' '}
      <button
        type="button"
        className="word set"
        title={texts.removeFilter}
        onClick={() => {
          set(facet, null);
        }}
      >
        {textOf(facet, value)}
      </button>
    </Fragment>
  );
}

interface MoreFacetsProps {
  readonly set: (facet: Facet, value: string | null) => void;
  readonly valuesOf: (facet: Facet) => readonly string[];
  readonly filter: Filter;
  readonly textOf: (facet: Facet, value: string) => string;
}

function MoreFacets({ set, valuesOf, filter, textOf }: MoreFacetsProps) {
  return (
    <Menu
      as="span"
      className="word"
      label={texts.moreFilters}
      menuClass="facet-menu"
      onSelect={(key) => {
        const [facet, value] = key.split('\n');
        const known = facets.find((one) => one === facet);
        if (known && value !== undefined) {
          set(known, value);
        }
      }}
      items={<FacetOptions valuesOf={valuesOf} filter={filter} textOf={textOf} />}
    >
      {texts.more}
    </Menu>
  );
}
