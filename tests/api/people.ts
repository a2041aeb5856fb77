import { ASSISTANT, DESK, OWNER, PRACTITIONER, signedIn } from './http'

// The people of the demo studio, signed in: one of each role.
export const owner = await signedIn(OWNER)
export const anneke = await signedIn(PRACTITIONER)
export const tamsin = await signedIn(ASSISTANT)
export const desk = await signedIn(DESK)
