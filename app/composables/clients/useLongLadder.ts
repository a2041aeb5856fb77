import { wrap } from 'comlink'
import { openAtFirst, quarterOf, type Trend } from '#core/record'
import type { LongLadderData } from '~/long-ladder/drawn'
import { longLayout } from '~/long-ladder/layout'
import { call } from '~/support/api'
import type { Records } from '~/workers/record.worker'

/** A client's long ladder: what was read and done, how it is drawn, which quarters stand open, and what moved. */
export function useLongLadder(clientId: string, visitId?: string) {
  const data = shallowRef<LongLadderData>()
  const trends = shallowRef<readonly Trend[]>()
  const open = ref<ReadonlySet<string>>(new Set())
  const width = ref(0)
  const allSigns = ref(false)
  const { trouble, attempt } = useAttempt()
  const layout = computed(() =>
    data.value && width.value > 0
      ? longLayout({
          data: data.value,
          open: open.value,
          width: width.value,
          allSigns: allSigns.value,
        })
      : undefined,
  )
  async function load() {
    const read = await attempt(() => call('/api/clients/:id/ladder', { params: { id: clientId } }))
    if (!read) return
    data.value = read
    const first = openAtFirst(
      read.rungs.map(({ on }) => on),
      read.today,
    )
    // Whoever comes by an address sees the visit it leads to, however long ago.
    const led = read.rungs.find(({ id }) => id === visitId)
    open.value = led ? first.add(quarterOf(led.on).id) : first
    trends.value = await trendsOf(read)
  }
  function toggle(quarterId: string, isOpen: boolean) {
    const next = new Set(open.value)
    if (isOpen) next.add(quarterId)
    else next.delete(quarterId)
    open.value = next
  }
  onMounted(load)
  return { data, trends, open, width, allSigns, layout, trouble, toggle }
}

async function trendsOf({ rungs }: LongLadderData): Promise<readonly Trend[]> {
  const readings = rungs.flatMap(({ on, findings, light }) =>
    findings === null ? [] : [{ on, findings, ...(light === null ? {} : { light }) }],
  )
  const worker = new Worker(new URL('../../workers/record.worker.ts', import.meta.url), {
    type: 'module',
  })
  try {
    return await wrap<Records>(worker).trends(readings)
  } finally {
    worker.terminate()
  }
}
