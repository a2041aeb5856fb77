import { row, type RuleRow } from './rows'

const HISTORY = { kind: 'history' } as const
const HOUSE = { basis: 'house', overridable: 'reason' } as const

/** Family E: across visits. Computed from history by `core/climb`; these rows are its words. */
export const VISIT_RULES: readonly RuleRow[] = [
  row('E01', 'Days between visits', HISTORY, [], 'Enzyme, gommage, suction and acid on rung 1 need 7 days; rinse-off acid on rung 2 14; rung 3 and above, mechanical, blade and needling 28; longer with age.', 'Soothe and hydrate until then.', HOUSE),
  row('E02', 'First time', HISTORY, [], 'Without tolerated history one rung below the card, rung 2 at the most, no second layer.', 'See how the skin answers.', HOUSE),
  row('E03', 'One lever up per visit', HISTORY, [], 'Two changes at once cannot be told apart.', 'The others hold.', HOUSE),
  row('E04', 'Two calm visits before going up', HISTORY, [], 'One calm visit may be chance.', 'The same rung again.', HOUSE),
  row('E05', 'Down after a strong answer', HISTORY, [], 'Redness of 2 of 4 beyond a day, or stinging of 6 of 10.', 'One rung lower.', HOUSE),
  row('E06', 'Stop after harm', HISTORY, [], 'Blisters, weeping, swelling or a burn.', 'The lever stops; advise a physician.'),
  row('E07', 'After a gap of more than 84 days', HISTORY, [], 'Tolerance is lost.', 'Rung 1 again.', HOUSE),
  row('E08', 'Inflammation before pigment', HISTORY, [], 'Active inflammation makes new marks faster than any brightener takes them away.', 'Clear first, then lighten.', HOUSE),
  row('E09', 'Patch test older than six months', HISTORY, [], 'Skin and formulas change.', 'Repeat it.', HOUSE),
  row('E10', 'Health answers older than the visit', HISTORY, [], 'What was true last time may not be true today.', 'Ask again: a minute.', HOUSE),
  row('E11', 'Course and next window', HISTORY, [], 'The skin needs its own time between visits.', 'Book from the earliest day on.', HOUSE),
  row('E12', 'No change after three visits', HISTORY, [], 'The first concern has not moved in three visits.', 'Propose another approach.', HOUSE),
  row('E13', 'A new dark mark or cold sore after a visit', HISTORY, [], 'The lever was too strong, or woke something.', 'One rung lower; treat as with a history of cold sores.', HOUSE),
]
