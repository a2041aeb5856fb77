import type { z } from 'zod'
import { readAs } from '~/support/kept'

/** What an instrument gives while it is read: a sample after the other until it is closed, or does not answer any more. */
export function useSamples<T extends z.ZodType>(model: T, silent: () => void) {
  const live = ref<z.infer<T>>()
  let stream: EventSource | undefined
  function close() {
    stream?.close()
    stream = undefined
    live.value = undefined
  }
  function open(address: string) {
    close()
    stream = new EventSource(address)
    stream.onmessage = (message: MessageEvent<string>) => {
      live.value = readAs(message.data, model) ?? live.value
    }
    stream.onerror = () => {
      close()
      silent()
    }
  }
  onBeforeUnmount(close)
  return { live: live as Ref<z.infer<T> | undefined>, open, close }
}
