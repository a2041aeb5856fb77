import type { Device } from '../catalog/model'
import type { Step } from '../protocol/model'
import { HIGHEST_RUNG, rungHolding, RUNGS } from './rungs'
import type { LeverId } from '../protocol/words'

/** Levers that a device's setting decides. */
export const SET_LEVERS: readonly LeverId[] = ['current', 'suction', 'rf']

type Setting = NonNullable<NonNullable<Step['passes']>['setting']>

/** Where a setting's range begins to count: the device's own start, else the lowest value. */
const startOf = (setting: Setting, device: Device | undefined): number =>
  device?.levels?.unit === setting.unit ? device.levels.start : setting.from

/** The rung of a device's setting: how far above its start in its range it stands. */
export function settingRung(setting: Setting, device: Device | undefined): number {
  const start = startOf(setting, device)
  if (setting.value <= start) return 1
  const share = (setting.value - start) / Math.max(1e-9, setting.to - start)
  return rungHolding(RUNGS.current.share!, share, HIGHEST_RUNG)
}

/** The setting on at most a rung. */
export function settingAt(setting: Setting, rung: number, device: Device | undefined): Setting {
  const start = startOf(setting, device)
  const share = RUNGS.current.share![rung - 1]
  if (share === undefined) return setting
  const most = start + share * (setting.to - start)
  return setting.value <= most ? setting : { ...setting, value: Math.floor(most * 10 + 1e-9) / 10 }
}
