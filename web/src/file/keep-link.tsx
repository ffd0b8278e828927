/** What narrows the list, kept as the rule of a smart folder. */
import { Link } from 'react-router';
import { printRule, ruleFromFilter, type Filter } from '@clever-drawer/core';
import { useArrangement } from '../studio/contexts.ts';
import * as texts from './texts.ts';

export function KeepLink({ filter }: { readonly filter: Filter }) {
  const { words } = useArrangement().arrangement.rules;
  const rule = ruleFromFilter(filter);
  return (
    rule && (
      <Link to={`/rule/new?text=${encodeURIComponent(printRule(rule, words))}`}>
        {texts.keepAsSmartFolder}
      </Link>
    )
  );
}
