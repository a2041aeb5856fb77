export { add, amountIn, BASE_UNIT, quantity, QuantityError, scale } from './quantity'
export type { Dimension, Quantity, UnitName } from './quantity'
export { apportion } from './apportion'
export { figure } from './figure'
export {
  amountInWords,
  celsiusOf,
  fahrenheit,
  nearestFahrenheit,
  perUnitHere,
  saidIn,
  type Measures,
} from './local'
export { calibrate, inMeasures, measureInWords } from './measure'
export { MEASURES } from './words'
export type { SalonMeasure } from './model'
export { volumeAsMass, massAsVolume } from './spoon'
export { durationInWords, inMinutes, minutes, toMinutes } from './time'
