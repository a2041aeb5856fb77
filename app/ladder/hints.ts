import type { Step } from '#core/protocol'

function timeHint(time: NonNullable<Step['when']>['time']): string | undefined {
  if (time === 'evening') return 'evening'
  return time === 'day' ? 'by day' : undefined
}

/** What a rung depends on, in a few words: a choice, a time of day, a repetition, a part of a dose. */
export function stepHints(step: Step): string {
  const { choice, when, onlyIf, repeat, share } = step
  return [
    choice && `one of ${choice.options.length}`,
    timeHint(when?.time),
    when?.visit === 'later' && 'not first',
    onlyIf && 'if seen',
    repeat && `×${repeat.usual}`,
    share !== undefined && `${Math.round(share * 100)} %`,
  ]
    .filter(Boolean)
    .join(' · ')
}
