/** The text of the file somebody chose, or why it is not taken; undefined when none was chosen. The same file can be chosen again afterwards. */
export async function chosenText(
  event: Event,
  most: { readonly bytes: number; readonly what: string },
): Promise<{ name: string; text: string } | { name: string; trouble: string } | undefined> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return undefined
  const { name, size } = file
  if (size > most.bytes)
    return {
      name,
      trouble: `${name} is too large for ${most.what} (${Math.round(size / 1000)} kB; at most ${most.bytes / 1000} kB).`,
    }
  return { name, text: await file.text() }
}
