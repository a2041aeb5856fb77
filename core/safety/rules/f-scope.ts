import type { Property } from '../../protocol/words'
import type { RuleEffect, Technique } from '../rule'
import { ALWAYS, row, type RuleRow } from './rows'

const ASK =
  'Somebody whose recorded scope has it, where local rules allow; the owner switches it on with a note.'
const scope = (technique: Technique, ...any: Property[]): RuleEffect => ({
  effect: 'scope',
  target: { any },
  unless: { kind: 'scope', technique },
})
const own = (id: string, technique: Technique, words: string, property: Property): RuleRow =>
  row(
    id,
    `Scope: ${words}`,
    ALWAYS,
    [scope(technique, property)],
    `${words[0]!.toUpperCase()}${words.slice(1)} is not in the recorded scope of the practitioner.`,
    ASK,
  )

/** Family F: scope of practice. Off until the owner switches it on; local law, licence and the maker come first. */
export const SCOPE_RULES: readonly RuleRow[] = [
  own('F01', 'needling', 'needling', 'needling'),
  own('F02', 'blade', 'the blade', 'blade'),
  own('F03', 'lancet', 'the lancet', 'lancet'),
  own('F04', 'rf', 'radio frequency', 'rf'),
  own('F05', 'measured-infusion', 'measured infusion', 'measured-infusion'),
  row(
    'F06',
    'Scope: acids above rung 4',
    ALWAYS,
    [
      {
        effect: 'limit',
        target: { lever: 'acid' },
        limit: { kind: 'rung', lever: 'acid', max: 4 },
        unless: { kind: 'scope', technique: 'strong-acid' },
      },
    ],
    'Acids above rung 4 are not in the recorded scope of the practitioner.',
    ASK,
  ),
  row(
    'F07',
    'Scope: high suction',
    ALWAYS,
    [
      {
        effect: 'limit',
        target: { lever: 'suction' },
        limit: { kind: 'rung', lever: 'suction', max: 3 },
        unless: { kind: 'scope', technique: 'high-suction' },
      },
    ],
    'High suction is not in the recorded scope of the practitioner.',
    ASK,
  ),
  row(
    'F08',
    'Scope: minors',
    { kind: 'minor' },
    [
      {
        effect: 'postpone',
        target: { everything: true },
        unless: { kind: 'scope', technique: 'minors' },
      },
    ],
    'Treating minors is not in the recorded scope of the practitioner.',
    ASK,
  ),
  row(
    'F10',
    'Your own implant or pregnancy',
    { kind: 'practitioner', code: 'current' },
    [{ effect: 'caution', target: { any: ['current', 'field', 'spark', 'rf'] } }],
    'Indirect high frequency and current gloves pass through your own hands.',
    'Hand this step to somebody else.',
  ),
  row(
    'F11',
    'Your own latex allergy',
    { kind: 'practitioner', code: 'latex' },
    [{ effect: 'require', target: { everything: true }, require: 'nitrile-gloves' }],
    'Latex would touch you all day.',
    'Nitrile gloves.',
  ),
  row(
    'F12',
    'Your own ingredient allergy',
    { kind: 'practitioner', code: 'ingredient' },
    [{ effect: 'require', target: { product: true }, require: 'gloves' }],
    'Your hands take up what you apply.',
    'Gloves on throughout.',
  ),
]
