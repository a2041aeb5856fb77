import { refusalOf, type Refusal } from '~/support/api'

/**
 * Changes that are saved at once: each is sent, what is shown is loaded anew, and what came of the last is told. `load` gives what the server has;
 * a change gives what it was answered, undefined where it was refused.
 */
export function useChanges<T>(load: () => Promise<T>) {
  const shown = shallowRef<T>()
  const refused = ref<Refusal>()
  const done = ref('')
  const trouble = computed(() => refused.value?.detail ?? '')

  async function read() {
    try {
      shown.value = await load()
    } catch (error) {
      refused.value = refusalOf(error)
    }
  }
  async function change<R>(doing: () => Promise<R>, words = 'Saved'): Promise<R | undefined> {
    refused.value = undefined
    done.value = ''
    let result: R | undefined
    let refusal: Refusal | undefined
    try {
      result = await doing()
      done.value = words
    } catch (error) {
      refusal = refusalOf(error)
    }
    // What was refused is shown as it is kept.
    await read()
    refused.value ??= refusal
    return result
  }
  /** Something was changed elsewhere on the page: what is shown is loaded anew, and `words` say what became of it. */
  async function reread(words = '') {
    done.value = words
    await read()
  }
  onMounted(read)
  return { shown, refused, trouble, done, change, reread }
}
