import type { Live } from './live'
import { levelOf, type LayerLevel } from './level'

/** What a tablet may sound or shake for. */
export type SignalKind = 'ready' | 'due' | 'past' | 'most' | 'mix'

/** One thing to be heard; the same id is the same thing and is heard once. */
export interface Signal {
  readonly id: string
  readonly kind: SignalKind
}

/** What is past its maximum is heard again so often. */
const AGAIN_MS = 20_000
const OF_LEVEL: Readonly<Record<LayerLevel, SignalKind | undefined>> = {
  on: undefined,
  ready: 'ready',
  due: 'due',
  past: 'past',
  most: 'most',
}

/** What asks to be heard at one instant: layers by their level, and a bowl whose time has come. Never words: nobody in the room learns anything of the client by it. */
export function signalsAt(live: Pick<Live, 'layers' | 'hands'>, nowMs: number): Signal[] {
  const ofLayers = live.layers.flatMap((layer) => {
    const kind = OF_LEVEL[levelOf(layer, nowMs)]
    if (!kind) return []
    const again = kind === 'most' ? `:${Math.floor((nowMs - layer.latestMs) / AGAIN_MS)}` : ''
    return [{ id: `${layer.segmentId}:${kind}${again}`, kind }]
  })
  const mixing = live.hands?.segment.kind === 'prepare' ? live.hands.segment : undefined
  return [...ofLayers, ...(mixing ? [{ id: `${mixing.id}:mix`, kind: 'mix' as const }] : [])]
}
