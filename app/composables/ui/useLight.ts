import { useLocalStorage } from '@vueuse/core'

/** Day or Room light, kept on this tablet. */
export function useLight() {
  const current = useLocalStorage<'day' | 'room'>('zen-light', 'day')
  const flip = () => {
    current.value = current.value === 'day' ? 'room' : 'day'
  }
  return { current, flip }
}
