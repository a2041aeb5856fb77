export { place, PLACE_NODE_LIMIT } from './place'
export { present } from './problem'
export type { Chain, Lag, Part, Placed, Placing, Pin, PlacingProblem } from './problem'
export { readPlacing } from './breaches'
