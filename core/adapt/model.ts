// The Zod models of this folder, for edges that parse: the computation needs only their types.
export { FittedPlan, PlacedSegment, Suggestion } from './plan'
export { Prep, Reservation, SlotWish } from './wish'
