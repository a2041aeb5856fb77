import type { SignalKind } from '#core/perform'

/** One note: how high (Hz), when it begins and how long it lasts (seconds). */
interface Note {
  readonly hz: number
  readonly atS: number
  readonly lastsS: number
}
const note = (hz: number, atS: number, lastsS = 0.35): Note => ({ hz, atS, lastsS })

/** Low and soft, for a dim room: rising asks for hands soon, level says now, falling says past. */
const NOTES: Readonly<Record<SignalKind, readonly Note[]>> = {
  ready: [note(392, 0), note(494, 0.3)],
  mix: [note(392, 0), note(392, 0.3)],
  due: [note(494, 0), note(494, 0.3)],
  past: [note(494, 0), note(392, 0.3)],
  most: [note(494, 0), note(392, 0.3), note(330, 0.6)],
}
/** The same without a sound: milliseconds on and off. */
const SHAKES: Readonly<Record<SignalKind, readonly number[]>> = {
  ready: [120],
  mix: [120],
  due: [120, 120, 120],
  past: [300, 120, 300],
  most: [300, 120, 300, 120, 300],
}
const LOUDEST = 0.12
const FADE_S = 0.05

let context: AudioContext | undefined

/** Tones made on the tablet: no file, no network, never a word. */
export function makeTones() {
  function play(kind: SignalKind) {
    context ??= new AudioContext()
    for (const one of NOTES[kind]) sound(context, one)
  }
  const shake = (kind: SignalKind) => {
    navigator.vibrate?.([...SHAKES[kind]])
  }
  return { play, shake }
}

/** One sine that swells and fades, so that nothing clicks. */
function sound(at: AudioContext, { hz, atS, lastsS }: Note) {
  const beginsS = at.currentTime + atS
  const gain = at.createGain()
  gain.gain.setValueAtTime(0, beginsS)
  gain.gain.linearRampToValueAtTime(LOUDEST, beginsS + FADE_S)
  gain.gain.linearRampToValueAtTime(0, beginsS + lastsS)
  const tone = at.createOscillator()
  tone.frequency.value = hz
  tone.connect(gain).connect(at.destination)
  tone.start(beginsS)
  tone.stop(beginsS + lastsS)
}
