export { isCopyDue, isCopyOld } from './copies'
export { closedFor, overlapOf, spansOn, weekdayOf, type Hours } from './hours'
export { endInWords, endsSoon, licencesEnding, type EndingLicence } from './licences'
export { pinRefusal } from './pin'
export { filledWords, PLACES, USUAL_WORDS, wordsFault } from './wordings'
export {
  HAZARDS,
  MEASURES,
  ROLES,
  TECHNIQUE_WORDS,
  type Hazard,
  type Measures,
  type Role,
} from './words'
