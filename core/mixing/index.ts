export { asMixed, mixCards, usualC } from './card'
export type { MixCard } from './card'
export { composed, composedShelf, withPartReplaced } from './house-mix'
export { doseFor } from './dose'
export type { Dose } from './dose'
export { spreadDose } from './infusion'
export type { ZoneDose } from './infusion'
export {
  inHandOf,
  massShares,
  mixActives,
  mixFaults,
  partName,
  partsOf,
  scaleRecipe,
} from './recipe'
export type { Amount, InHand, MixActive, MixFault, PartLine, Scaled } from './recipe'
export { settingAt } from './setting'
export { SUPPLY_NAMES } from './supplies'
export { TOWEL, towelReadyInS } from './towel'
export { doseInWords, trayFor } from './tray'
export { scaleSamples } from './scale'
export type { ScaleSample } from './scale'
