import pino from 'pino'
import { useConfig } from './config'

const { logLevel, logFile } = useConfig()

/**
 * The log: a line of JSON each, with the id of the request it belongs to. No health data: what is sent, asked for or answered
 * is never written, and of an address only its path.
 */
export const log = pino(
  { level: logLevel, base: null, timestamp: pino.stdTimeFunctions.isoTime },
  pino.destination({ ...(logFile ? { dest: logFile, mkdir: true } : { dest: 1 }), sync: true }),
)

/** What may be written of an error: its name, the code of the database, and where it came from. Its message may hold what was typed. */
export function withoutData(error: Error & { cause?: unknown }) {
  const cause = error.cause instanceof Error ? error.cause : error
  const { code, constraint, table } = cause as {
    code?: unknown
    constraint?: unknown
    table?: unknown
  }
  const frames = (cause.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line))
  return { name: cause.name, code, constraint, table, at: frames.map((line) => line.trim()) }
}
