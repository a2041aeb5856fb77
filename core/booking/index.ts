export { freeTimes, nearestTimes, type Busy, type FreeTime, type Seats, type Span } from './free'
export { techniquesOf } from './techniques'
export { alternates, boundSpans, type BoundSpan } from './bound'
