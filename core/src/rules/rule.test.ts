import { describe, expect, it } from '@jest/globals';
import { candidateOf, compileRule, keywordRule, keywordsOf, sayRule, type Rule } from './rule.ts';

const ruleOf = (text: string): Rule => {
  const result = keywordRule(text);
  if (!result.ok) throw new Error('no rule');
  return result.value;
};
const takes = (text: string, name: string, nickname: string | null = null): string | null => compileRule(ruleOf(text))(candidateOf(name, nickname));

describe('a keyword rule', () => {
  it('takes in any of its keywords and says which one it was', () => {
    expect(takes('delay, echo, slap', 'Twinmoor TapeEcho')).toBe('name has “echo”');
    expect(takes('delay, echo', 'Cistern Hall')).toBeNull();
  });
  it('finds keywords at the start of words only', () => {
    expect(takes('meter', 'Parameters')).toBeNull();
    expect(takes('echo', 'Cistern Echoes')).toBe('name has “echo”');
  });
  it('finds keywords of several words and folds case and accents', () => expect(takes('Tape Écho', 'old tape-echo')).not.toBeNull());
  it('looks at the nickname too', () => expect(takes('slap', 'Grebe', 'my slap')).not.toBeNull());
  it('drops doubles and empty parts', () => expect(keywordsOf(ruleOf('echo,, Echo ,slap'))).toEqual(['Echo', 'slap']));
  it('needs at least one keyword', () => expect(keywordRule(' , ')).toMatchObject({ ok: false, problems: [{ code: 'rule-empty' }] }));
  it('reads itself back', () => expect(sayRule(ruleOf('delay, echo, slap'))).toBe('Every plugin whose name has delay, echo or slap.'));
});
