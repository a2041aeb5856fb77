/** One plain line about what is happening. */
export const say = (text) => console.log(`· ${text}`)

/** Ends the run with a sentence for the person and an exit code. */
export class Stop extends Error {
  constructor(code, text) {
    super(text)
    this.code = code
  }
}
