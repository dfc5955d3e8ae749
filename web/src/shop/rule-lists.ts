import type { ShopSettings } from '@plain-cleat/core/parts/shop';
import type { FeatureList, Row } from '../rows/feature-rows';

export type RuleList = ShopSettings['rules'][number];
type Rule = RuleList['rules'][number];

const asks =
  (rule: Rule['rule']) =>
  (row: Row): boolean =>
    row['rule'] === rule;

/** The rules of one list as rows: what must be there, how near, how many, and the words the owner reads. */
export const RULES: Pick<FeatureList, 'name' | 'one' | 'columns' | 'fresh'> = {
  name: 'Rules',
  one: 'rule',
  columns: [
    { key: 'rule', name: 'asks for', kind: ['aboard', 'most rods', 'white light'] },
    { key: 'what', name: 'kind or part', kind: 'text', when: asks('aboard') },
    { key: 'reach', name: 'within', kind: ['anywhere', 'half turn', 'at hand'], when: asks('aboard') },
    { key: 'count', name: 'at most', kind: 'number', when: asks('most rods') },
    { key: 'says', name: 'in words', kind: 'words' },
  ],
  fresh: (n) => ({
    id: `rule-${n}`,
    rule: 'aboard',
    what: 'jacket',
    reach: 'anywhere',
    count: 4,
    says: 'The life jacket is worn',
  }),
};

export const rowsOf = (list: RuleList): Row[] => list.rules.map((r, i) => ({ ...RULES.fresh(i + 1), ...r }));

/** A row as the rule it asks for; what the rule does not need is left out. */
export function ruleOf(row: Row): Rule {
  const says = String(row['says'] ?? '');
  if (row['rule'] === 'most rods') return { rule: 'most rods', count: Number(row['count']), says };
  if (row['rule'] === 'white light') return { rule: 'white light', says };
  return { rule: 'aboard', what: String(row['what'] ?? ''), reach: row['reach'] as 'anywhere', says };
}
