import { TASKS, type Task } from './tasks'

/** What the pool calls in each of its threads. */
export default ({ name, args }: Task): unknown =>
  (TASKS[name] as (...given: readonly unknown[]) => unknown)(...args)
