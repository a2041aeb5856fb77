/** The six stages of a visit, in order. */
export const STAGES = [
  { path: 'consult', name: 'Consult' },
  { path: 'skin', name: 'Read skin' },
  { path: 'fit', name: 'Fit' },
  { path: 'prepare', name: 'Prepare' },
  { path: 'perform', name: 'Perform' },
  { path: 'close', name: 'Close' },
] as const

/** Fetches the pages of all stages ahead: a network that goes in the middle of a consultation takes none of them away. */
export async function preloadStages(): Promise<void> {
  await Promise.all(STAGES.map((stage) => preloadRouteComponents(`/visits/any/${stage.path}`)))
}
