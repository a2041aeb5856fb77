export { add, amountIn, BASE_UNIT, quantity, QuantityError, scale } from './quantity'
export type { Dimension, Quantity, UnitName } from './quantity'
export { calibrate, inMeasures } from './measure'
export { durationInWords, minutes, toMinutes } from './time'
