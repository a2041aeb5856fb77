/** A short id from a name: small letters, figures and hyphens, accents taken off, at most `most` of them; empty when the name holds none of these. */
export const slugOf = (name: string, most = 60): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, most)
    .replace(/^-+|-+$/g, '')
