/** The tablet that drives a run; the others follow it. */
export interface Lead {
  readonly deviceId: string
  readonly atMs: number
  /** Who took it, as they are called in the salon; of the first one nobody is asked. */
  readonly by?: string
}

/** What is needed to tell who drives. */
export interface Led {
  readonly lead: Lead | undefined
  readonly handedOver: ReadonlySet<string>
}

/** True for a tablet that follows another one. Until a run has begun nobody leads. */
export const isFollowing = ({ lead }: Pick<Led, 'lead'>, deviceId: string): boolean =>
  lead !== undefined && lead.deviceId !== deviceId

/** Whether a tablet may drive what a segment asks for: as the lead, or because that part was handed over. What is felt and what cannot wait is everybody's. */
export const mayDrive = (led: Led, deviceId: string, segmentId: string | undefined): boolean =>
  !isFollowing(led, deviceId) || (segmentId !== undefined && led.handedOver.has(segmentId))
