type Field = HTMLInputElement | HTMLTextAreaElement
const show = (field: Field, value: unknown) => {
  const text = value === undefined || value === null ? '' : String(value)
  if (field.value !== text) field.value = text
}

/** `v-shown="value"`: a field shows a value, but never over what somebody is typing in it: a save that comes back takes no words away. */
export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.directive<Field, unknown>('shown', {
    mounted: (field, { value }) => show(field, value),
    updated: (field, { value }) => {
      if (document.activeElement !== field) show(field, value)
    },
  })
})
