import type { MapView, ZoneId } from '#core/skin'

/** One zone as drawn on a view, in the view's own 400 × 520 units. */
export interface ZoneShape {
  readonly zone: ZoneId
  readonly path: string
  /** Where its grade stands and a pin from the keyboard lands. */ readonly label: readonly [
    number,
    number,
  ]
}
export interface ViewShapes {
  readonly view: MapView
  readonly name: string
  /** For narrow places. */ readonly short: string
  readonly outline: string
  /** Lines that make it a face: eyes, ear, hairline. */ readonly features: readonly string[]
  readonly zones: readonly ZoneShape[]
  /** Drawn the other way round. */ readonly mirrored?: true
}

export const MAP_WIDTH = 400
export const MAP_HEIGHT = 520
/** The part of the drawing's height that is shown: every view lies within it. */
export const MAP_SHOWN = { top: 48, height: 436 } as const

type Half = readonly [zone: ZoneId, path: string, label: readonly [number, number]]
const one = ([zone, path, label]: Half): ZoneShape => ({ zone, path, label })

/** Mirrors an absolute path (M, C, L, Z with x,y pairs) about the middle of the drawing. */
function mirrorPath(path: string): string {
  let isX = true
  return path.replace(/[A-Z]|-?\d+(?:\.\d+)?/g, (token) => {
    if (/[A-Z]/.test(token)) {
      isX = true
      return token
    }
    const value = isX ? MAP_WIDTH - Number(token) : Number(token)
    isX = !isX
    return String(value)
  })
}
const otherSide = (zone: ZoneId): ZoneId => zone.replace('-right', '-left') as ZoneId
/** A zone of the client's right, which the viewer sees on the left, and the same of the left. */
const both = (half: Half): ZoneShape[] => [
  one(half),
  {
    zone: otherSide(half[0]),
    path: mirrorPath(half[1]),
    label: [MAP_WIDTH - half[2][0], half[2][1]],
  },
]

// Seen from the front. Drawn for this product; proportions only, nobody's face.
const FRONT_MIDDLE: readonly Half[] = [
  [
    'forehead',
    'M118 96 C150 72 250 72 282 96 L278 150 C254 140 228 142 214 153 L186 153 C172 142 146 140 122 150 Z',
    [200, 116],
  ],
  ['glabella', 'M186 155 L214 155 L214 186 L186 186 Z', [200, 171]],
  ['nose-bridge', 'M187 189 L213 189 L217 262 C217 288 183 288 183 262 Z', [200, 236]],
  [
    'upper-lip',
    'M176 304 C188 300 212 300 224 304 L240 336 C222 326 210 325 200 329 C190 325 178 326 160 336 Z',
    [200, 315],
  ],
  [
    'lips',
    'M156 342 C174 329 192 329 200 334 C208 329 226 329 244 342 C226 366 174 366 156 342 Z',
    [200, 346],
  ],
  [
    'chin',
    'M160 358 C178 374 222 374 240 358 L254 404 C242 444 222 464 200 468 C178 464 158 444 146 404 Z',
    [200, 412],
  ],
]
const FRONT_HALF: readonly Half[] = [
  ['temple-right', 'M114 99 C92 120 76 152 72 188 L104 194 C106 176 110 162 119 152 Z', [94, 150]],
  [
    'brow-right',
    'M112 160 C130 146 160 145 183 156 L183 169 C160 159 132 160 112 173 Z',
    [148, 159],
  ],
  [
    'upper-lid-right',
    'M112 178 C130 164 162 163 182 174 L182 189 C160 178 132 179 110 193 Z',
    [148, 178],
  ],
  [
    'under-eye-right',
    'M110 207 C132 219 162 218 182 205 L182 221 C160 238 130 236 106 222 Z',
    [147, 225],
  ],
  ['crows-foot-right', 'M72 192 L104 197 L107 218 L74 228 C71 216 71 204 72 192 Z', [88, 209]],
  [
    'nose-side-right',
    'M184 232 L180 262 C180 276 184 286 190 292 C178 298 162 292 161 278 C162 262 176 252 184 232 Z',
    [173, 276],
  ],
  [
    'cheekbone-right',
    'M75 232 L106 226 C130 241 160 242 181 226 L178 246 C152 266 108 268 76 258 Z',
    [124, 251],
  ],
  [
    'cheek-right',
    'M77 262 C112 272 150 270 172 254 C164 264 158 274 158 288 C148 306 141 324 137 348 L100 374 C87 342 80 304 77 262 Z',
    [114, 312],
  ],
  [
    'nasolabial-right',
    'M160 292 C166 299 172 302 176 303 L157 336 L140 350 C143 326 150 308 160 292 Z',
    [155, 326],
  ],
  [
    'jaw-right',
    'M101 378 L138 352 L156 358 L143 404 C147 424 154 438 162 450 C138 438 116 412 101 378 Z',
    [131, 398],
  ],
]
const FRONT: ViewShapes = {
  view: 'front',
  name: 'Front',
  short: 'Front',
  outline:
    'M200 58 C128 58 76 102 68 176 C62 226 68 290 76 322 C84 366 104 404 142 440 C162 460 182 472 200 472 C218 472 238 460 258 440 C296 404 316 366 324 322 C332 290 338 226 332 176 C324 102 272 58 200 58 Z',
  features: [
    'M112 199 C130 186 164 186 182 199 C164 210 130 210 112 199 Z',
    'M218 199 C236 186 270 186 288 199 C270 210 236 210 218 199 Z',
    'M64 196 C52 190 50 226 58 252 C61 264 68 268 72 262',
    'M336 196 C348 190 350 226 342 252 C339 264 332 268 328 262',
    'M158 342 C180 350 220 350 242 342',
  ],
  zones: [...FRONT_MIDDLE.map(one), ...FRONT_HALF.flatMap(both)],
}

// Seen from the client's right: the nose points to the viewer's right.
const PROFILE: readonly Half[] = [
  ['forehead', 'M228 84 C262 82 296 100 306 136 L304 160 L262 152 L232 142 Z', [266, 122]],
  ['temple-right', 'M224 86 L229 142 L214 196 L176 196 C172 152 190 110 224 86 Z', [204, 158]],
  ['brow-right', 'M234 147 L305 164 L304 177 L232 162 Z', [268, 164]],
  ['upper-lid-right', 'M238 168 L296 182 L290 194 L246 190 Z', [266, 184]],
  ['under-eye-right', 'M244 208 L292 208 L296 226 C276 240 252 238 236 226 Z', [266, 222]],
  ['crows-foot-right', 'M216 200 L240 196 L238 222 L204 232 Z', [224, 213]],
  ['nose-bridge', 'M300 182 L310 182 L342 268 C344 278 336 284 326 284 L312 252 Z', [324, 262]],
  [
    'nose-side-right',
    'M306 250 L322 286 C312 298 296 294 292 282 C292 268 300 260 306 250 Z',
    [306, 280],
  ],
  [
    'cheekbone-right',
    'M204 237 L236 230 C256 242 280 242 298 230 L300 248 C278 268 232 272 196 264 Z',
    [246, 254],
  ],
  [
    'cheek-right',
    'M195 268 C236 278 270 272 296 254 C290 266 287 276 288 290 L268 340 L214 372 L188 330 Z',
    [238, 316],
  ],
  ['nasolabial-right', 'M289 294 C294 300 300 302 306 302 L290 338 L270 342 Z', [290, 322]],
  ['upper-lip', 'M309 303 L330 306 L330 326 L294 336 Z', [316, 318]],
  ['lips', 'M292 340 L332 328 C340 338 340 350 334 360 L300 358 Z', [318, 346]],
  ['chin', 'M296 362 L334 364 C340 386 336 408 320 418 L286 416 L276 388 Z', [308, 392]],
  [
    'jaw-right',
    'M213 376 L268 344 L290 350 L274 386 L283 416 L258 420 C236 412 222 398 213 376 Z',
    [250, 390],
  ],
  ['under-chin', 'M258 424 L318 422 C304 434 288 440 270 444 Z', [282, 431]],
  [
    'neck-side-right',
    'M182 340 L210 378 C220 402 236 418 256 426 L268 446 C266 468 268 486 272 502 L150 502 C166 456 176 400 182 340 Z',
    [206, 450],
  ],
  ['ears', 'M172 204 C150 198 146 228 154 252 C158 266 170 272 176 262 L184 232 Z', [164, 234]],
]
const PROFILE_OUTLINE =
  'M300 128 C286 92 250 64 196 64 C130 64 92 116 94 190 C96 250 116 300 128 340 C134 380 132 440 120 502 L150 502 L272 502 C268 486 266 468 268 448 C290 442 306 434 320 420 C338 408 342 388 336 364 C342 352 342 340 334 328 L332 306 L326 290 C344 286 348 276 344 266 L312 184 L306 162 L308 140 Z'
const profile = (view: 'right' | 'left'): ViewShapes => ({
  view,
  name: view === 'right' ? 'Right side' : 'Left side',
  short: view === 'right' ? 'Right' : 'Left',
  outline: view === 'right' ? PROFILE_OUTLINE : mirrorPath(PROFILE_OUTLINE),
  features: [
    'M246 200 C262 190 282 190 294 198 C280 208 260 208 246 200 Z',
    'M298 344 C310 346 322 344 334 342',
    'M160 214 C168 222 168 240 162 252',
  ].map((path) => (view === 'right' ? path : mirrorPath(path))),
  zones: PROFILE.map((half) =>
    view === 'right'
      ? one(half)
      : {
          zone: otherSide(half[0]),
          path: mirrorPath(half[1]),
          label: [MAP_WIDTH - half[2][0], half[2][1]] as const,
        },
  ),
})

const NECK_VIEW: ViewShapes = {
  view: 'neck',
  name: 'Neck, décolleté',
  short: 'Neck',
  outline:
    'M128 40 C132 90 130 130 122 164 C84 190 40 204 16 232 L16 420 C80 470 320 470 384 420 L384 232 C360 204 316 190 278 164 C270 130 268 90 272 40',
  features: [
    'M110 236 C140 226 170 232 196 246',
    'M290 236 C260 226 230 232 204 246',
    'M140 44 C160 84 240 84 260 44',
  ],
  zones: [
    {
      zone: 'under-chin',
      path: 'M144 52 C164 90 236 90 256 52 L252 96 C226 116 174 116 148 96 Z',
      label: [200, 94],
    },
    {
      zone: 'neck-front',
      path: 'M162 112 C186 120 214 120 238 112 L236 220 C222 232 210 240 200 246 C190 240 178 232 164 220 Z',
      label: [200, 168],
    },
    ...both([
      'neck-side-right',
      'M146 100 L158 112 L160 222 C136 222 116 226 102 232 L92 192 C108 184 120 176 128 166 C138 144 144 124 146 100 Z',
      [134, 186],
    ]),
    {
      zone: 'decollete',
      path: 'M98 236 C136 224 170 232 200 252 C230 232 264 224 302 236 L330 264 C336 330 316 392 200 420 C84 392 64 330 70 264 Z',
      label: [200, 326],
    },
  ],
}

export const VIEWS: readonly ViewShapes[] = [FRONT, profile('right'), profile('left'), NECK_VIEW]
export const viewOf = (view: MapView): ViewShapes => VIEWS.find((one_) => one_.view === view)!

/** The zone nearest in a direction from another, for arrow keys: the least distance within a quarter turn. Undefined at the edge. */
export function neighbour(
  zones: readonly ZoneShape[],
  from: ZoneId,
  key: 'ArrowUp' | 'ArrowDown' | 'ArrowLeft' | 'ArrowRight',
): ZoneId | undefined {
  const here = zones.find((shape) => shape.zone === from)
  if (!here) return zones[0]?.zone
  const [dx, dy] = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[
    key
  ] as [number, number]
  const steps = zones.flatMap((shape) => {
    const [x, y] = [shape.label[0] - here.label[0], shape.label[1] - here.label[1]]
    const along = x * dx + y * dy
    const aside = Math.abs(x * dy - y * dx)
    return shape.zone !== from && along > 0 && aside <= along * 1.2
      ? [{ zone: shape.zone, far: along + aside }]
      : []
  })
  return steps.sort((a, b) => a.far - b.far)[0]?.zone
}
