import type { Property } from '../../protocol/words'
import type { RuleEffect } from '../rule'
import { ALWAYS, row, type RuleRow } from './rows'

const needs = (require: NonNullable<RuleEffect['require']>, ...any: Property[]): RuleEffect => ({
  effect: 'require',
  target: any.length > 0 ? { any } : { everything: true },
  require,
})

/** Family H: hygiene. Required in every visit; shown on the tray, never as a change of the ladder. */
export const HYGIENE_RULES: readonly RuleRow[] = [
  row(
    'H01',
    'Hands before the start',
    ALWAYS,
    [needs('hands-first')],
    'Hands carry everything.',
    'Wash and dry before the first touch.',
  ),
  row(
    'H02',
    'Hands after hair, feet, telephone, tablet',
    ALWAYS,
    [],
    'What hair and feet carry does not belong on the face.',
    'Half a minute of hand hygiene; the ladder puts it in.',
  ),
  row(
    'H03',
    'Gloves for extraction, new ones after',
    ALWAYS,
    [needs('gloves', 'extraction', 'lancet', 'needling', 'blade')],
    'Blood and sebum under the gloves are not carried on.',
    'Change them as soon as it is over.',
  ),
  row(
    'H04',
    'Lancet',
    ALWAYS,
    [needs('lancet-scope', 'lancet')],
    'A lancet opens skin.',
    'Only within scope; once, then into the sharps container.',
  ),
  row(
    'H05',
    'Single-use tips and applicators',
    ALWAYS,
    [needs('single-use', 'needling', 'lancet', 'measured-infusion')],
    'What has been on open skin is not used again.',
    'Discard it; no double dipping.',
  ),
  row(
    'H06',
    'Steamer, electrodes, handpieces',
    ALWAYS,
    [needs('clean-device', 'device')],
    'The last client was there before.',
    'Cleaned and wiped, with its contact time.',
  ),
  row(
    'H07',
    'Linen per client',
    ALWAYS,
    [needs('linen')],
    'Fresh for everybody.',
    'Change it in the turnover.',
  ),
  row(
    'H08',
    'Implements',
    ALWAYS,
    [],
    'Clean, then disinfect wet for the whole contact time, then dry.',
    'The turnover ladder counts that time.',
  ),
  row(
    'H09',
    'Blood exposure',
    ALWAYS,
    [{ effect: 'advice', target: { any: ['extraction', 'lancet', 'needling', 'blade'] } }],
    'Where skin may bleed, the procedure must be at hand.',
    'The card is one touch away in Perform.',
  ),
]
