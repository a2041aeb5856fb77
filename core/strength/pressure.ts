import type { Movement, Step } from '../protocol/model'
import { PRESSURES } from '../protocol/movement-words'

type Pressure = Movement['pressure']

/** The rung of a pressure: light 1 … firm 4. */
export const pressureRung = (pressure: Pressure): number => PRESSURES.indexOf(pressure) + 1
const pressureAt = (rung: number): Pressure =>
  PRESSURES[Math.max(0, Math.min(rung, PRESSURES.length) - 1)]!

/** The firmest movement of a step, as a rung; undefined for one without movements. */
export function firmestOf({ movements }: Pick<Step, 'movements'>): number | undefined {
  if (!movements || movements.length === 0) return undefined
  return Math.max(...movements.map(({ pressure }) => pressureRung(pressure)))
}

/** The step with no movement firmer than a rung. */
export function softened(step: Step, rung: number): Step {
  const properties =
    rung < pressureRung('firm')
      ? step.properties.filter((property) => property !== 'firm-pressure')
      : step.properties
  if (!step.movements) return { ...step, properties }
  const movements = step.movements.map((movement) =>
    pressureRung(movement.pressure) > rung ? { ...movement, pressure: pressureAt(rung) } : movement,
  )
  return { ...step, properties, movements }
}
