import { FAMILIES } from '../../core/catalog/families'
import { KNOWN, medicineCode, type Known } from '../../core/client/medicines'
import { questionByCode } from '../../core/client/questions'

const FIXED = new Set([...questionByCode.keys(), 'allergy:any', ...FAMILIES.map((family) => `allergy:${family.id}`)])

/** Tells whether a fact code is a question, an allergy or a medicine of the salon's list (default: the one that ships). */
export function knownCodes(list: readonly Known[] | undefined): (code: string) => boolean {
  const medicines = new Set((list ?? KNOWN).map((one) => medicineCode(one.id)))
  return (code) => FIXED.has(code) || medicines.has(code)
}
