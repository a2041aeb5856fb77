export { FAMILIES, familyById } from './tables/families'
export type { Family, FamilyId } from './tables/families'
export { readInci } from './inci'
export { freeWordCode, freeWordOf, holdsFreeWord, isFreeWordCode } from './free-word'
export type { InciReading } from './inci'
export { INCI_MOST } from './inci'
export { ACTIVES } from './tables/ingredients'
export type { Active } from './tables/ingredients'
export { deviceById, productById, productsFor, setProduct, useOf } from './shelf'
export {
  afterTaking,
  currentBatch,
  inUse,
  isUncounted,
  takeFrom,
  unitOf,
  usableOn,
} from './batches'
export {
  BOWLS,
  CASTS,
  CONSISTENCIES,
  EMERGENCY_OFF,
  GREASES,
  LEAVES,
  PRODUCT_KINDS,
  SENSATIONS,
  SKIN_STATES,
  SUPPLY_KINDS,
  TEXTURES,
  UNITS,
  VEHICLES,
  WATER,
} from './words'
export { HOME_ROLES, HOME_TIMES } from './words'
export type { HomeRole, HomeTime, ProductKind, Unit } from './words'
export type {
  Batch,
  Device,
  HomePack,
  Kit,
  Mixing,
  Product,
  Recipe,
  Sensation,
  Shelf,
  Supply,
  Use,
} from './model'
export { ENDS_SOON_DAYS, listed, REACHES, STATES } from './listing'
export type { Listed, Reach, StockState } from './listing'
export { slugOf } from './slug'
