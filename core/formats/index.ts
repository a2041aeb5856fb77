export { Bundle, bundleSchema, inputOf, readBundle } from './bundle'
export type { BundleFault, BundleRead } from './bundle'
export { check } from './check'
export type { CheckReport } from './check'
