import type { Prep } from './wish'

/** Nothing decided at the tray yet. */
export const NO_PREP: Prep = { size: 'M', waterC: {}, standIns: {}, partStandIns: {} }
