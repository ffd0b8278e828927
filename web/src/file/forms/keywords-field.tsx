/** The keywords by which a new smart folder fills itself, with what they would take in. */
import { useMemo } from 'react';
import { Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { compileRule, keywordRule } from '@clever-drawer/core/rules';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import * as formTexts from './texts.ts';

interface KeywordsProps {
  readonly keywords: string;
  readonly setKeywords: (keywords: string) => void;
  readonly isInvalid: boolean;
}

export function KeywordsField({ keywords, setKeywords, isInvalid }: KeywordsProps) {
  return (
    <Form.Group controlId="folder-keywords">
      <Form.Label className="form-line">{formTexts.includesEveryPluginWhoseName}</Form.Label>
      <Form.Control
        autoComplete="off"
        spellCheck={false}
        placeholder={formTexts.delayEcho}
        isInvalid={isInvalid}
        value={keywords}
        onChange={(event) => {
          setKeywords(event.target.value);
        }}
      />
      <Form.Control.Feedback type="invalid">
        {formTexts.enterAtLeastOneKeyword}
      </Form.Control.Feedback>
      <Preview keywords={keywords} />
    </Form.Group>
  );
}

/** What the keywords would take in now, and the way to everything else a rule can ask. */
function Preview({ keywords }: { keywords: string }) {
  const { pluginById } = useCatalog();
  const { arrangement } = useArrangement();
  const { candidates, where } = arrangement.rules;
  const names = useMemo(() => {
    const rule = keywordRule(keywords);
    if (!rule.ok) {
      return null;
    }
    const { holds } = compileRule(rule.value);
    return candidates
      .filter((candidate) => holds(candidate, where))
      .map(({ id }) => pluginById.get(id)?.name ?? '');
  }, [keywords, candidates, where, pluginById]);
  const more = (
    <Link
      to={`/rule/new${keywords.trim() === '' ? '' : `?text=${encodeURIComponent(`name has ${keywords}`)}`}`}
    >
      {formTexts.moreThanKeywords}
    </Link>
  );
  if (names === null) {
    return (
      <Form.Text className="text-soft">
        {formTexts.aCommaMeansOr} {more}
      </Form.Text>
    );
  }
  const some = names.slice(0, 3).join(', ');
  return (
    <Form.Text className="text-soft" role="status">
      {names.length === 0 ? formTexts.matchesNothingYet : formTexts.matches(names.length, some)}{' '}
      {more}
    </Form.Text>
  );
}
