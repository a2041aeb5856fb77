import { call, type Reply } from '~/support/api'

export type SalonSettings = Reply<'/api/settings'>

/** What the salon has set, saved as it is changed. */
export function useSettings() {
  const { shown: settings, trouble, done, change } = useChanges(() => call('/api/settings'))

  const saveFacts = (facts: SalonSettings['facts']) =>
    change(() => call('/api/settings/salon', { method: 'put', body: facts }))
  const saveHours = (wish: Partial<SalonSettings>) => {
    const { hours, closedDays, turnoverMinutes } = { ...settings.value!, ...wish }
    const body = { hours, closedDays, turnoverMinutes }
    return change(() => call('/api/settings/hours', { method: 'put', body }))
  }
  const saveChoices = (wish: Partial<SalonSettings['choices']>) => {
    const body = { ...settings.value!.choices, ...wish }
    return change(() => call('/api/settings/choices', { method: 'put', body }))
  }
  const addRoom = (name: string) =>
    change(() => call('/api/rooms', { method: 'post', body: { name } }))
  const setRoom = ({ id, name, isUsed }: SalonSettings['rooms'][number]) =>
    change(() => call('/api/rooms/:id', { method: 'put', params: { id }, body: { name, isUsed } }))
  return { settings, trouble, done, saveFacts, saveHours, saveChoices, addRoom, setRoom }
}
