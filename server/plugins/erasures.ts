import { noteErasures } from '../utils/copies'

/** What a crash kept from being written down is, at the next start. */
export default defineNitroPlugin(() => void noteErasures())
