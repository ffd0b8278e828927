/** Rules answered together, against each answered by its definition (slow.test-data.ts). */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { anyCandidate, anyRule, epoch, folderIds } from './arbitrary.test-data.ts';
import { compileRule, type CompiledRule, type RuleContext } from './holds.ts';
import { RuleTable } from './rule-table.ts';
import { slowlyIn } from './slow.test-data.ts';
import { parseRule } from '../language/text.ts';

const where: RuleContext = {
  now: epoch,
  isIn: (folder, plugin) => folder === folderIds[0] && plugin === 'p',
  isFiled: (plugin) => plugin === 'p',
};
const compiled = (text: string): CompiledRule => {
  const rule = parseRule(text);
  if (!rule.ok) {
    throw new Error(JSON.stringify(rule.problems));
  }
  return compileRule(rule.value);
};

describe('rules in a table', () => {
  it('take in what each takes in by itself, in whatever turn they are asked, and as often', () => {
    fc.assert(
      fc.property(
        fc.array(anyRule, { maxLength: 6 }),
        anyCandidate('p'),
        fc.array(fc.nat(5), { maxLength: 8 }),
        (rules, candidate, turn) => {
          const holds = new RuleTable(rules.map(compileRule)).ask(candidate, where);
          const asked = [...turn.filter((at) => at < rules.length), ...rules.keys()];
          expect(asked.map(holds)).toEqual(
            asked.map((at) => slowlyIn(rules[at] ?? { cards: [], never: [] }, candidate, where)),
          );
        },
      ),
      { numRuns: 2000 },
    );
  });

  it('ask a line that several have once', () => {
    const same = ['times loaded at least 3', 'times loaded at least 3\nkind is effect'].map(
      compiled,
    );
    let asked = 0;
    const counted = same.map((rule) => ({
      ...rule,
      cards: rule.cards.map((card) => ({
        ...card,
        lines: card.lines.map((line) => ({
          ...line,
          holds: (...given: Parameters<typeof line.holds>) => {
            asked += 1;
            return line.holds(...given);
          },
        })),
      })),
    }));
    const [candidate] = fc.sample(anyCandidate('p'), { numRuns: 1, seed: 1 });
    if (!candidate) {
      throw new Error('no plugin was made');
    }
    const loaded = { ...candidate, numbers: { ...candidate.numbers, 'times loaded': [5] } };
    const holds = new RuleTable(counted).ask(loaded, where);
    [0, 1, 0, 1].forEach(holds);
    // The one that both have, and the other line of the second.
    expect(asked).toBe(2);
  });
});
