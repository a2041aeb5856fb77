/** A device at work, in ms since 1970. */
export interface DeviceUse {
  readonly deviceId: string
  readonly visitId: string
  readonly fromMs: number
  readonly toMs: number
}

/** Devices that two visits want at the same time: each once, at the first moment. */
export function sharedDevices(uses: readonly DeviceUse[]): { deviceId: string; atMs: number }[] {
  const found = new Map<string, number>()
  const inOrder = [...uses].sort((a, b) => a.fromMs - b.fromMs)
  for (const [at, first] of inOrder.entries())
    for (const other of inOrder.slice(at + 1)) {
      const isShared =
        other.deviceId === first.deviceId &&
        other.visitId !== first.visitId &&
        other.fromMs < first.toMs
      if (isShared && !found.has(first.deviceId)) found.set(first.deviceId, other.fromMs)
    }
  return [...found].map(([deviceId, atMs]) => ({ deviceId, atMs }))
}
