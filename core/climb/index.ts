export {
  AFTER_WORDS,
  answerInWords,
  asLeaving,
  countsOnLeaving,
  isHarm,
  isStrong,
  isStrongOnLeaving,
  leavingInWords,
  seenOnLeaving,
  toldAfter,
  unsettled,
} from './answers'
export type { CheckIn, Told } from './answers'
export { FIRST_RUNG, GAP_DAYS, hasTwoCalm, suggest, suggestLever } from './suggest'
export type { Move, Suggestion } from './suggest'
export { highestUses } from './uses'
export { daysBeforeAgain, daysOfPoints, minDays, nextWindow, waitingWork } from './intervals'
export type { Done, NextWindow } from './intervals'
export { courseInWords, shortRhythm, visitOfCourse } from './rhythm'
export type { ShortRhythm } from './rhythm'
export { burden, clearFirst, notMoving } from './progress'
export { AFTER_SIGNS, CALM_ANSWER, LEVEL_REASONS } from './model'
export type { AfterSign, LeavingSkin, LevelUse, LeverUse, PastVisit, SkinAnswer } from './model'
export { announcedHours } from './aftermath'
