import { useConfig } from '../utils/config'

/** A server that was started by `npm start` ends with it, also where that was killed: the pipe between them closes. */
export default defineNitroPlugin(() => {
  if (!useConfig().isTied) return
  process.stdin.on('end', () => process.exit(0))
  process.stdin.on('error', () => process.exit(0))
  process.stdin.resume()
})
