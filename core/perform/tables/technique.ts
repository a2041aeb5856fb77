import type { Sensation } from '../../catalog/model'
import type { ProductKind } from '../../catalog/words'
import type { Phase, Tool } from '../../protocol/words'

// One line for the hands, where neither card nor maker says more (common practice, no source).

/** How each kind of product is put on. */
export const ON: Readonly<Record<ProductKind, string>> = {
  'makeup-remover': 'laid on closed eyes, counted to ten, drawn down and outwards; no rubbing',
  cleanser: 'warmed between the palms, from the neck up in small circles, eyes last',
  toner: 'two pads, from the centre outwards, pressed rather than wiped',
  scrub: 'wet fingertips, light circles; nothing over broken skin',
  gommage: 'a thin film, left to grip, rolled off with the skin held',
  enzyme: 'brushed on evenly from the neck up, clear of eyes and lips',
  acid: 'forehead first, then cheeks, nose and chin; even strokes, none twice',
  neutraliser: 'all over in one go, again until nothing foams',
  concentrate: 'pressed in from the centre outwards with flat hands',
  booster: 'a few drops stirred in or pressed in under what follows',
  massage: 'warmed in the palms, spread from the décolleté up',
  mask: 'brushed on thick and even from the neck up; nostrils and lips free',
  eye: 'ring finger, patted along the bone from the outer corner inwards',
  serum: 'pressed in from the centre outwards with flat hands',
  moisturiser: 'dotted on five places, spread upwards and outwards',
  sun: 'two fingers full, to the hairline, the ears and below the jaw',
  lip: 'a thin coat along the border, then inwards',
  soothing: 'laid on without pressure',
  gel: 'a thick even film; topped up before it dries',
}

/** Work without product or device: what it is done with, and how. By the phase it stands in. */
export interface HandWork {
  readonly verb: string
  readonly with: string
  readonly how: string
}
const WORK: HandWork = { verb: 'Work', with: 'your hands', how: 'slow, one side as the other' }
export const BY_HAND: Readonly<Partial<Record<Phase, HandWork>>> & { readonly other: HandWork } = {
  other: WORK,
  analysis: { verb: 'Look', with: 'the lamp', how: 'eyes covered, room dark, zone by zone' },
  tone: { verb: 'Dry', with: 'dry gauze', how: 'laid on and pressed, not drawn' },
  extract: {
    verb: 'Work',
    with: 'gloves and gauze',
    how: 'area by area, forehead first; two gentle tries, then leave it; no outcome is written before the gloves are off',
  },
  'remove-tone': { verb: 'Take off', with: 'compress', how: 'laid on, pressed, lifted off' },
  massage: { ...WORK, how: 'flat hands, slow, one side as the other' },
  enhancement: { ...WORK, how: 'slow, with nothing that drips on what lies there' },
  close: {
    verb: 'Close',
    with: 'mirror and water',
    how: 'bed up slowly; what was done, what comes',
  },
}
/** A quick check is a drop and a wait, whatever its phase. */
export const CHECK: HandWork = {
  verb: 'Try',
  with: 'cotton bud, one drop',
  how: 'behind the ear, left on; ask what it feels like',
}

/** What a client is told it may feel like, by what is expected. What is no ordinary feeling is told by nobody as if it were. */
export const FEELS: Readonly<Partial<Record<Sensation, string>>> = {
  warm: 'It feels warm',
  tingling: 'It tingles a little',
  stinging: 'It may sting a little',
  itch: 'It may itch a little',
}
export const TELL = 'tell me if it is more than that.'
export const AWAY = 'off first, then away from the face and aside'

/** How each tool takes off what lies there. */
export const OFF: Readonly<Record<Tool, string>> = {
  sponge:
    'two damp sponges from the centre outwards, turned at each stroke; again until they stay clean',
  'dry-sponge':
    'dry sponges, pressed and lifted from the centre outwards; nothing wet before the film is gone',
  gauze: 'damp gauze, folded, from the centre outwards; a clean side each time',
  swab: 'a swab for each eye, from the inner corner outwards',
  mitt: 'damp mitts, one to hold, one to draw outwards',
  towel: 'tried at your wrist, laid on, pressed, drawn off outwards',
  compress: 'laid on, pressed for a breath, lifted off',
  spatula: 'flat spatula from the edge inwards, the skin held',
  water: 'rinsed from the forehead down, eyes closed',
  'lift-off': 'loosen the edge all round, then up from the chin in one piece',
  none: 'lifted off by hand',
}

/** Every zone has had its minutes. */
export const IN_ORDER = 'off in the order it went on'
export const DRYING = 'nothing on top until it no longer shines; fan, do not rub'
export const WASHING = 'hands washed, new gloves where they are worn'
/** What is watched while something works, and where one must be meanwhile. */
export const WATCHED = {
  active: 'watch the skin: even pink is right; white, raised or burning comes off at once',
  inert: 'lies by itself; the edge stays wet until it sets',
} as const
