export { add, amountIn, BASE_UNIT, quantity, QuantityError, scale } from './quantity'
export type { Dimension, Quantity, UnitName } from './quantity'
export { calibrate, inMeasures } from './measure'
export { durationInWords, inMinutes, minutes, toMinutes } from './time'
