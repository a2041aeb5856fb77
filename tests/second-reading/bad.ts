import { acidRung, timedRung, type Touch } from './touch'

// What may be wrong with one touch, in words that the tables put together.

export type Bad = (touch: Touch) => boolean
export const any =
  (...properties: string[]): Bad =>
  ({ is }) =>
    properties.some((property) => is.has(property))
export const HOT = ['heat', 'steam', 'self-heating', 'warming']
export const ENERGIES = ['current', 'rf', 'ultrasound', 'ultrasonic-blade']
export const isAcid: Bad = ({ is }) => is.has('acid') && is.has('exfoliating')
export const acidAbove =
  (rung: number): Bad =>
  (touch) =>
    isAcid(touch) && touch.free !== undefined && acidRung(touch) > rung
export const enzymeAbove =
  (rung: number): Bad =>
  (touch) =>
    touch.is.has('enzyme') && touch.product !== undefined && timedRung(touch) > rung
export const longer =
  (property: string, minutes: number): Bad =>
  (touch) =>
    touch.is.has(property) && touch.minutes > minutes + 0.01
export const either =
  (...bads: Bad[]): Bad =>
  (touch) =>
    bads.some((bad) => bad(touch))
export const anything: Bad = () => true
