/** What else can narrow the list, fact by fact. */
import { Fragment } from 'react';
import { facets, type Facet, type Filter } from '@clever-drawer/core/search';
import { MenuItem } from '../../ui/menu-item.tsx';
import * as formTexts from '../forms/texts.ts';

interface Props {
  readonly valuesOf: (facet: Facet) => readonly string[];
  readonly filter: Filter;
  readonly textOf: (facet: Facet, value: string) => string;
}

/** Drawn when the menu is opened first. */
export function FacetOptions({ valuesOf, filter, textOf }: Props) {
  return facets.map((facet) => {
    const values = valuesOf(facet);
    return (
      values.length > 0 && (
        <Fragment key={facet}>
          <div className="dropdown-header">{formTexts.facetHeads[facet]}</div>
          {values.map((value) => (
            <MenuItem
              key={value}
              eventKey={`${facet}\n${value}`}
              active={filter.facets[facet] === value}
            >
              {textOf(facet, value)}
            </MenuItem>
          ))}
        </Fragment>
      )
    );
  });
}
