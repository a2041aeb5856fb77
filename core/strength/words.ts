import type { Step } from '../protocol/model'
import type { LeverId } from '../protocol/words'
import { durationInWords } from '../quantity/time'
import { governedSeconds } from './parts'
import { RUNGS } from './rungs'
import { SET_LEVERS } from './setting'

type Pulled = NonNullable<Step['levers']>[number]

/** What a rung means in this step, in words made from its figures: "light to medium pressure", "vacuum 25 %", "5 min". */
function wordsOf({ lever, rung }: Pulled, step: Step): string | undefined {
  const words = RUNGS[lever].words?.[rung - 1]
  if (SET_LEVERS.includes(lever)) {
    const setting = step.passes?.setting
    return setting
      ? `${setting.setting} ${setting.value} ${setting.unit}`.trim()
      : words && `at most ${words}`
  }
  if (lever === 'pressure') return words && `${words} pressure`
  if (lever === 'retinoid') return undefined
  return words ?? durationInWords(governedSeconds(step.segments))
}

const LOWERED_FIRM = /\b(?:firm(?:ly|er)?|strong(?:ly)?)\b/gi
/** The rung below which nobody is told to be firm. */
const FIRM_RUNG = 4

/** A fitted step with its words of today, made from the figures; words that still said the written rung are put right. */
export function inTodaysWords(step: Step): Step {
  const lowered = (step.levers ?? []).filter(({ rung, writtenRung }) => rung < writtenRung)
  const words = [...new Set(lowered.flatMap((pulled) => wordsOf(pulled, step) ?? []))]
  const { today: _, ...rest } = step
  const pressure = lowered.find(({ lever, rung }) => lever === 'pressure' && rung < FIRM_RUNG)
  const spoken = pressure ? withoutFirm(rest, RUNGS.pressure.words![pressure.rung - 1]!) : rest
  return words.length > 0 ? { ...spoken, today: words.join(' · ') } : spoken
}

function withoutFirm(step: Step, instead: string): Step {
  const capital = `${instead[0]!.toUpperCase()}${instead.slice(1)}`
  const put = (text: string): string =>
    text.replace(LOWERED_FIRM, (word) => (/^[A-Z]/.test(word) ? capital : instead))
  return {
    ...step,
    title: put(step.title),
    ...(step.say ? { say: put(step.say) } : {}),
    ...(step.technique ? { technique: put(step.technique) } : {}),
  }
}

/** What a lever's rung is called. */
export const rungWords = (lever: LeverId, rung: number): string | undefined =>
  RUNGS[lever].words?.[rung - 1]
