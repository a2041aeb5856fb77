<script setup lang="ts">
import { useIdle, useNow } from '@vueuse/core'
import { refusalOf } from '~/support/api'
import { clockTime } from '~/support/time'

/** A tablet of the salon that nobody has touched for a while shows the time, and nothing of anybody. In Perform clocks and *Stings* stay. */
const session = useSessionStore()
const guard = useGuardStore()
const route = useRoute()
const MINUTE_MS = 60_000
const { idle, reset } = useIdle((session.salon?.coverMinutes ?? 5) * MINUTE_MS)
const isTablet = computed(() => session.tablet !== null && session.account !== null)
watch(idle, (is) => {
  if (is && isTablet.value && !guard.handed) guard.cover()
})
const isPerform = computed(() => route.path.endsWith('/perform'))
const isShown = computed(
  () => guard.covered && session.account !== null && !isPerform.value && !guard.handed,
)
const now = useNow({ interval: 1000 })
const time = computed(() => clockTime(now.value.getTime(), session.salon?.timeZone ?? 'UTC'))
const trouble = ref('')
/** Above every other dialog, which is out of reach meanwhile; it does not go away by a key. */
const dialog = ref<HTMLDialogElement>()
const show = () => {
  if (dialog.value && !dialog.value.open) dialog.value.showModal()
}
watch(dialog, show, { flush: 'post' })

async function somebodyElse() {
  try {
    await session.signOut()
    await navigateTo('/sign-in')
  } catch (error) {
    const { status, detail } = refusalOf(error)
    trouble.value = status === 0 ? 'No connection: nobody else can sign in now.' : detail
  }
}
</script>

<template>
  <dialog
    v-if="isShown"
    ref="dialog"
    class="fixed inset-0 w-screen h-screen max-w-none max-h-none bg-ground text-ink grid grid-cols-[1fr_auto] gap-16 items-center px-20 focus:outline-none"
    aria-label="Covered"
    @cancel.prevent
    @close="show"
  >
    <div>
      <p class="text-2xl text-soft">{{ session.salon?.name }}</p>
      <p class="display text-[9rem] leading-none mt-2">{{ time }}</p>
      <p class="mt-6 text-soft max-w-[40ch]"
        >Covered. What runs goes on, and what was typed is kept.</p
      >
      <p v-if="trouble" role="alert" class="mt-3 text-mind">{{ trouble }}</p>
    </div>
    <TakeBack may-skip @opened="reset" @other="somebodyElse" />
  </dialog>
</template>
