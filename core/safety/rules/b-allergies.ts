import { FAMILIES, familyById, type Family } from '../../catalog/tables/families'
import { ALWAYS, row, type RuleRow } from './rows'

const lower = (family: Family): string => family.name.toLowerCase()
const held = (family: Family): string =>
  `The ingredient list holds ${lower(family)}.${family.remark ? ` ${family.remark}` : ''}`

/** "No pineapple": an allergy among today's stops, by the first name of its family. */
const stopsAs = ({ name }: Family): { stopsAs: string } => {
  const [first = name] = name.split(', ')
  return { stopsAs: `No ${first[0]!.toLowerCase()}${first.slice(1)}` }
}

/** An allergy stops what holds it, a dislike replaces it; some families are worth a caution only. */
/** Where an allergy is worth a caution only, breathing trouble is not. */
const strongRule = (family: Family): RuleRow =>
  row(
    `B-${family.id}-strong`,
    `Allergy: ${family.name}, with breathing trouble or swelling`,
    { kind: 'allergy', family: family.id, reaction: 'breathing' },
    [{ effect: 'stop', target: { family: family.id } }],
    held(family),
    'A product without it.',
    stopsAs(family),
  )

/** Another substance than people fear: it is stopped, and nothing follows. */
const informed = (family: Family): RuleRow =>
  row(
    `B-${family.id}`,
    `Allergy: ${family.name}`,
    { kind: 'allergy', family: family.id },
    [{ effect: 'stop', target: { family: family.id } }],
    held(family),
    'Nothing else follows from it.',
    stopsAs(family),
  )

const ownRules = (family: Family): RuleRow[] => {
  const when = { kind: 'allergy', family: family.id } as const
  if (family.effect === 'info') return [informed(family)]
  if (family.effect === 'caution')
    return [
      row(
        `B-${family.id}`,
        `Allergy: ${family.name}`,
        when,
        [
          { effect: 'replace', target: { family: family.id }, soft: true },
          { effect: 'caution', target: { family: family.id } },
        ],
        held(family),
        'A product without it if there is one; else watch closely.',
        { overridable: 'reason', ...stopsAs(family) },
      ),
      strongRule(family),
    ]
  return [
    row(
      `B-${family.id}`,
      `Allergy: ${family.name}`,
      when,
      [{ effect: 'stop', target: { family: family.id } }],
      held(family),
      'A product without it.',
      stopsAs(family),
    ),
    row(
      `B-${family.id}-dislike`,
      `Dislikes: ${family.name}`,
      { ...when, reaction: 'dislike' },
      [{ effect: 'replace', target: { family: family.id } }],
      `The client dislikes ${lower(family)}, and the list holds it.`,
      'Another of the same kind.',
      { overridable: 'reason' },
    ),
  ]
}

const crossRules = (family: Family): RuleRow[] =>
  (family.crosses ?? []).flatMap((other) => [
    row(
      `B-${family.id}-${other}`,
      `Allergy: ${family.name}, related plant enzyme`,
      { kind: 'allergy', family: family.id },
      [
        {
          effect: 'clearance',
          target: { family: other },
          unless: { kind: 'clearance', id: `B-${family.id}-${other}` },
        },
      ],
      `A reaction to ${lower(family)} may cross to this plant enzyme.`,
      'Another enzyme, or a recorded clearance.',
      stopsAs(family),
    ),
    row(
      `B-${family.id}-${other}-strong`,
      `Allergy: ${family.name}, with breathing trouble or swelling`,
      { kind: 'allergy', family: family.id, reaction: 'breathing' },
      [{ effect: 'stop', target: { family: other } }],
      `After breathing trouble or swelling from ${lower(family)} related plant enzymes are out too.`,
      'No plant enzyme; a hydrating step.',
      stopsAs(family),
    ),
  ])

const cautionRules = (family: Family): RuleRow[] =>
  (family.cautions ?? []).map((other) =>
    row(
      `B-${family.id}-${other}`,
      `Allergy: ${family.name}, may cross to ${familyById.get(other)?.name.toLowerCase() ?? other}`,
      { kind: 'allergy', family: family.id },
      [{ effect: 'caution', target: { family: other } }],
      `An allergy to ${lower(family)} may cross to ${familyById.get(other)?.name.toLowerCase() ?? other}.`,
      'Ask about it; patch-test first.',
      stopsAs(family),
    ),
  )

const all = FAMILIES as readonly Family[]

/** Family B: ingredient families, and what this client refused or reacted to. */
export const ALLERGY_RULES: readonly RuleRow[] = [
  ...all.flatMap(ownRules),
  ...all.flatMap(crossRules),
  ...all.flatMap(cautionRules),
  row(
    'B-salicylates-sun',
    'Aspirin: sun-filter salicylates',
    { kind: 'allergy', family: 'salicylates' },
    [
      { effect: 'replace', target: { family: 'sun-salicylates' }, soft: true },
      { effect: 'caution', target: { family: 'sun-salicylates' } },
    ],
    'The sun protection holds a salicylate that is far weaker than the acid.',
    'Another sun protection if there is one; else watch.',
    { overridable: 'reason' },
  ),
  row(
    'B-latex-gloves',
    'Latex: gloves',
    { kind: 'allergy', family: 'latex' },
    [{ effect: 'require', target: { everything: true }, require: 'nitrile-gloves' }],
    'Latex gloves touch the client throughout.',
    'Nitrile gloves, and no latex on the tray.',
  ),
  row(
    'B00',
    'Nothing without its ingredient list',
    { kind: 'any-allergy' },
    [{ effect: 'stop', target: { unread: true } }],
    'The client has an allergy and this product’s ingredients are not known: not checked is not clear.',
    'A product with a list, or enter the list on the shelf.',
    { overridable: 'reason' },
  ),
  row(
    'B06',
    'An allergy in the client’s own words',
    { kind: 'own-words' },
    [{ effect: 'stop', target: { product: true } }],
    'The ingredient list holds it, as a whole word or under the name lists print for it.',
    'A product without it.',
    { stopsAs: 'An allergy of the client’s own' },
  ),
  row(
    'B06-dislike',
    'A dislike in the client’s own words',
    { kind: 'own-words', reaction: 'dislike' },
    [{ effect: 'replace', target: { product: true } }],
    'The client dislikes it, and the list holds it.',
    'Another of the same kind.',
    { overridable: 'reason' },
  ),
  row(
    'B07',
    'Nickel: metal that touches the skin',
    { kind: 'allergy', family: 'nickel' },
    [{ effect: 'stop', target: { any: ['metal-touch'] } }],
    'Metal probes, rollers and globes may give off nickel.',
    'Hands, glass or plastic instead; a probe whose maker says it is free of nickel may be entered so on the shelf.',
  ),
  row(
    'B01',
    'Allergies not asked',
    { kind: 'unasked', code: 'allergy:any' },
    [{ effect: 'stop', target: { any: ['exfoliating', 'warming', 'stings', 'retinoid'] } }],
    'Allergies have not been asked.',
    'Ask on Consult; it takes a moment.',
  ),
  row(
    'B02',
    'Refused before',
    { kind: 'memory', memory: 'refused' },
    [{ effect: 'replace', target: { everything: true } }],
    'The client did not like this product.',
    'Another of the same kind.',
    { overridable: 'reason' },
  ),
  row(
    'B03',
    'Reacted before',
    { kind: 'memory', memory: 'reacted' },
    [{ effect: 'stop', target: { everything: true } }],
    'The skin reacted to this product.',
    'Another of the same kind, or say why it may be used again.',
    { overridable: 'reason' },
  ),
  row(
    'B04',
    'A quick check is no allergy test',
    ALWAYS,
    [{ effect: 'advice', target: { any: ['strong-active'] } }],
    'A minute behind the ear shows sting only; no test lifts a known allergy.',
    'For sensitised clients and strong actives a delayed test, read after 24 to 48 hours.',
  ),
]
