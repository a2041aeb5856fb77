export {
  asProtocol,
  compile,
  constraintsFor,
  ENGINE_VERSION,
  slotOptions,
  wantedSteps,
} from './compile'
export { extraSecondsOf } from './lay'
export { prepared } from './prep'
export { chosenFor, NO_PREP, withChoice, withoutChoice } from './choice'
export type { Choice } from './choice'
export { shortages, standIns } from './stand-in'
export type { Shortage, StandIn } from './stand-in'
export type { CompileInput, Running, SlotOptions } from './compile'
export type { Prep, Reservation, SlotWish } from './wish'
export { expand } from './expand'
export { worthOf } from './worth'
export { throughGates } from './gates'
export { mend } from './mend'
export { sketch } from './sketch'
export type { Sketch } from './sketch'
export type { GateAnswers, OpenGate } from './gates'
export { NODE_LIMIT, resolve } from './resolve'
export type { Override, Resolution, ResolveInput } from './resolve'
export { laidOn } from './laid'
export { partId, placingOf } from './ladder'
export type { Underway } from './ladder'
export type { Change, Why } from './change'
export type { FittedPlan, PlacedSegment, TrayItem } from './plan'
export { requirementWords } from './care'
