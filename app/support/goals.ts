import type { Concern } from '#core/client'

/** What a client wants, as one would say it. */
export const GOAL_WORDS: Readonly<Record<Concern, string>> = {
  calm: 'Calmer, less red',
  clarify: 'Clearer, fewer blemishes',
  hydrate: 'More water, less tight',
  firm: 'Firmer',
  brighten: 'Brighter, more even',
  smooth: 'Smoother',
  eyes: 'Fresher eyes',
  lips: 'Softer lips',
}
/** The same in one or two words. */
export const goalWords = (goal: Concern): string => GOAL_WORDS[goal].split(',')[0]!
