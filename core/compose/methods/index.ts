export { applyMethod } from './apply'
export { METHODS } from '../tables/questions'
export type { MethodQuestion, Rewritten, School } from './model'
