const MOST = 3

/** What others may read of a client from across the room: "W. C." of Wren Castellane, in any script. */
export const initialsOf = (name: string): string =>
  name
    .trim()
    .split(/\s+/u)
    .slice(0, MOST)
    .flatMap((word) => {
      const [first] = new Intl.Segmenter(undefined, { granularity: 'grapheme' }).segment(word)
      return first ? [`${first.segment.toLocaleUpperCase()}.`] : []
    })
    .join(' ')
