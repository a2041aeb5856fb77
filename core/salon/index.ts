export { closedFor, overlapOf, spansOn, weekdayOf, type Hours } from './hours'
export { endsSoon, licencesEnding, type EndingLicence } from './licences'
export { pinRefusal } from './pin'
export { HAZARDS, MEASURES, ROLES, type Hazard, type Measures, type Role } from './words'
