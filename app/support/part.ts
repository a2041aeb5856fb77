/** The first of a list that go together in so many bytes and no more than so many, one at the least. */
export function inOnePart<T>(items: readonly T[], bytesMost: number, most: number): T[] {
  let bytes = 0
  const over = items.findIndex((item, at) => {
    bytes += JSON.stringify(item).length
    return at > 0 && (bytes > bytesMost || at >= most)
  })
  return items.slice(0, over === -1 ? items.length : over)
}
