import type { DeepReadonly } from 'vue'
import type { Concern } from '#core/client'
import type { Phase } from '#core/protocol'
import type { Reply } from '~/support/api'

/** One protocol of the library, as the server lists it. */
export type Shelved = DeepReadonly<Reply<'/api/protocols'>[number]>
export interface Wish {
  readonly typed: string
  readonly concern: Concern | ''
  readonly phase: Phase | ''
  readonly device: string
  readonly minutes: number | undefined
  readonly away: boolean
}
export const NO_WISH: Wish = {
  typed: '',
  concern: '',
  phase: '',
  device: '',
  minutes: undefined,
  away: false,
}

/** A protocol is short enough for a slot when its minutes one after another are. */
const MINUTE_S = 60

/** Protocols that answer every part of the wish: by name or note, concern, phase, device, length; put away ones only when asked for. By name. */
export function libraryFor(list: readonly Shelved[], wish: Wish): Shelved[] {
  const words = wish.typed.trim().toLowerCase().split(/\s+/).filter(Boolean)
  return list
    .filter(
      (protocol) =>
        protocol.archived === wish.away &&
        words.every((word) =>
          `${protocol.name} ${protocol.note ?? ''} ${protocol.devices.join(' ')}`
            .toLowerCase()
            .includes(word),
        ) &&
        (wish.concern === '' || protocol.concerns.includes(wish.concern)) &&
        (wish.phase === '' || protocol.phases.includes(wish.phase)) &&
        (wish.device === '' || protocol.devices.includes(wish.device)) &&
        (wish.minutes === undefined || protocol.workS <= wish.minutes * MINUTE_S),
    )
    .sort((a, b) => a.name.localeCompare(b.name))
}
