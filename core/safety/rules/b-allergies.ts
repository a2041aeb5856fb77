import { FAMILIES, type Family } from '../../catalog/families'
import type { RuleRow } from './rows'

/** Sun-filter salicylates: replaced where the shelf can, else a caution (rules, family B). */
const MILD = new Set(['sun-salicylates'])

const stopRule = (family: Family): RuleRow => ({
  id: `B-${family.id}`, title: `Allergy: ${family.name}`, when: { kind: 'allergy', family: family.id },
  effects: [{ effect: 'stop', target: { family: family.id } }],
  reason: `The ingredient list holds ${family.name.toLowerCase()}.`, instead: 'A product without it.', basis: 'common-practice', overridable: 'no',
})

const crossRule = (family: Family): RuleRow[] => (family.crosses ?? []).flatMap((other) => [
  {
    id: `B-${family.id}-${other}`, title: `Allergy: ${family.name}, related plant enzyme`, when: { kind: 'allergy', family: family.id },
    effects: [{ effect: 'clearance', target: { family: other }, unless: { kind: 'clearance', id: `B-${family.id}-${other}` } }],
    reason: `A reaction to ${family.name.toLowerCase()} may cross to this plant enzyme.`, instead: 'Another enzyme, or a recorded clearance.', basis: 'common-practice', overridable: 'no',
  } satisfies RuleRow,
  {
    id: `B-${family.id}-${other}-strong`, title: `Allergy: ${family.name}, with breathing trouble or swelling`, when: { kind: 'allergy', family: family.id, reaction: 'breathing' },
    effects: [{ effect: 'stop', target: { family: other } }],
    reason: `After breathing trouble or swelling from ${family.name.toLowerCase()} related plant enzymes are out too.`, instead: 'No plant enzyme; a hydrating step.', basis: 'common-practice', overridable: 'no',
  } satisfies RuleRow,
])

/** Family B: ingredient families, and what this client refused or reacted to. */
export const ALLERGY_RULES: readonly RuleRow[] = [
  ...(FAMILIES as readonly Family[]).filter((family) => !MILD.has(family.id)).map(stopRule),
  ...(FAMILIES as readonly Family[]).flatMap(crossRule),
  {
    id: 'B-salicylates-sun', title: 'Aspirin: sun-filter salicylates', when: { kind: 'allergy', family: 'salicylates' },
    effects: [{ effect: 'replace', target: { family: 'sun-salicylates' }, soft: true }, { effect: 'caution', target: { family: 'sun-salicylates' } }],
    reason: 'The sun filter holds a salicylate that is far weaker than the acid.', instead: 'Another sun filter if there is one; else watch.', basis: 'common-practice', overridable: 'reason',
  },
  {
    id: 'B00', title: 'Nothing without its ingredient list', when: { kind: 'any-allergy' },
    effects: [{ effect: 'stop', target: { unread: true } }],
    reason: 'The client has an allergy and this product’s ingredients are not known: not checked is not clear.', instead: 'A product with a list, or enter the list on the shelf.', basis: 'common-practice', overridable: 'reason',
  },
  {
    id: 'B01', title: 'Allergies not asked', when: { kind: 'unasked', code: 'allergy:any' },
    effects: [{ effect: 'stop', target: { any: ['exfoliating', 'warming', 'stings', 'retinoid'] } }],
    reason: 'Allergies have not been asked.', instead: 'Ask on Consult; it takes a moment.', basis: 'common-practice', overridable: 'no',
  },
  {
    id: 'B02', title: 'Refused before', when: { kind: 'memory', memory: 'refused' },
    effects: [{ effect: 'replace', target: { everything: true } }],
    reason: 'The client did not like this product.', instead: 'Another of the same kind.', basis: 'common-practice', overridable: 'reason',
  },
  {
    id: 'B03', title: 'Reacted before', when: { kind: 'memory', memory: 'reacted' },
    effects: [{ effect: 'stop', target: { everything: true } }],
    reason: 'The skin reacted to this product.', instead: 'Another of the same kind, or say why it may be used again.', basis: 'common-practice', overridable: 'reason',
  },
]
