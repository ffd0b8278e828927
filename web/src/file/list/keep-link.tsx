/** What narrows the list, kept as the rule of a smart folder. */
import { useDeferredValue, useMemo, type MouseEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { printRule, type RuleWords } from '@clever-drawer/core/rules';
import { ruleFromFilter, type Filter } from '@clever-drawer/core/search';
import { useArrangement } from '../../studio/contexts.ts';
import * as formTexts from '../forms/texts.ts';

export function KeepLink({ filter }: { readonly filter: Filter }) {
  const { words } = useArrangement().arrangement.rules;
  const navigate = useNavigate();
  // The rule is written once the letter is painted: the first time, that takes as long as the list.
  const written = useDeferredValue<Filter | null>(filter, null);
  const address = useMemo(() => addressOf(written, words), [written, words]);
  const openAsItIsNow = (event: MouseEvent): void => {
    if (written !== filter) {
      event.preventDefault();
      void navigate(addressOf(filter, words));
    }
  };
  return (
    ruleFromFilter(filter) && (
      <Link to={address} onClick={openAsItIsNow}>
        {formTexts.keepAsSmartFolder}
      </Link>
    )
  );
}

/** A new rule that says what the filter says. */
function addressOf(filter: Filter | null, words: RuleWords): string {
  const rule = filter && ruleFromFilter(filter);
  return rule ? `/rule/new?text=${encodeURIComponent(printRule(rule, words))}` : '/rule/new';
}
