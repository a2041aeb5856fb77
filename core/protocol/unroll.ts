import type { Segment, Step } from './model'

/** A segment that is usually done more than once, written out; the last asks for the sign and may be done again. */
function rounds(part: Segment): Segment[] {
  const count = part.end?.by === 'repeat' ? (part.end.usualCount ?? 1) : 1
  if (count === 1 || !part.end) return [part]
  const { end, ...plain } = part
  return Array.from({ length: count }, (_, at) => ({
    ...plain,
    id: at === 0 ? part.id : `${part.id}.${at + 1}`,
    ...(at === count - 1
      ? { end: { ...end, usualCount: 1, maxCount: (end.maxCount ?? count) - count + 1 } }
      : {}),
  }))
}

/** A step with its loops written out: its work after the mixing as often as usual, and every segment that repeats. */
export function unrolled({ repeat, ...step }: Step): Step {
  const again = step.segments.filter((part) => part.kind !== 'prepare')
  if (!repeat) return { ...step, segments: step.segments.flatMap(rounds) }
  const written = Array.from({ length: repeat.usual }, (_, round) =>
    again.map((part): Segment => (round === 0 ? part : { ...part, id: `${part.id}.${round + 1}` })),
  ).flat()
  const last = written.at(-1)!
  const signed: Segment = {
    ...last,
    end: {
      by: 'repeat',
      sign: repeat.sign,
      usualCount: 1,
      maxCount: repeat.max - repeat.usual + 1,
    },
  }
  return {
    ...step,
    segments: [
      ...step.segments.filter((part) => part.kind === 'prepare'),
      ...written.slice(0, -1),
      signed,
    ],
  }
}
