/** Places in a message that are filled in for each one, as they are written between braces. */
export const PLACES = ['first name', 'salon', 'when', 'address'] as const
type Place = (typeof PLACES)[number]

const SIGNED = 'This address is not watched for urgent matters: call us.\n\n{salon}'
/** What a client is told, as it ships. */
export const USUAL_WORDS = {
  confirmation: `Dear {first name},

your visit at {salon} is on {when}.
You find us at {address}.

If you cannot come, please tell us the day before.
${SIGNED}`,
  calledOff: `Dear {first name},

your visit at {salon} on {when} does not take place.
Please call us for another time.
${SIGNED}`,
} as const

const BRACED = /\{([^{}]*)\}/gu
const isPlace = (name: string): name is Place => PLACES.some((place) => place === name)

/** What is wrong with the words of a message, as a sentence; undefined where nothing is. Without `{when}` nobody would know which visit is meant. */
export function wordsFault(words: string): string | undefined {
  const unknown = [...words.matchAll(BRACED)].find(([, name]) => !isPlace(name!))
  if (unknown)
    return `${unknown[0]} is none of the places: ${PLACES.map((place) => `{${place}}`).join(', ')}.`
  if (/[{}]/u.test(words.replaceAll(BRACED, ''))) return 'A brace stands alone.'
  return words.includes('{when}') ? undefined : 'Without {when} nobody knows which visit is meant.'
}

/** The words with their places filled in. A line goes where it has a place and there is nothing to put in it. */
export const filledWords = (words: string, filling: Readonly<Record<Place, string>>): string =>
  words
    .split('\n')
    .filter((line) =>
      [...line.matchAll(BRACED)].every(([, name]) => isPlace(name!) && filling[name] !== ''),
    )
    .map((line) => line.replaceAll(BRACED, (_, name: Place) => filling[name]))
    .join('\n')
