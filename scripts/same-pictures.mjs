import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import sharp from 'sharp'

// Compares two folders of pictures pixel by pixel: `node scripts/same-pictures.mjs BEFORE AFTER`.
// Prints, for every picture that differs, how many pixels do and the box they lie in. Clocks differ by their nature.
const [before, after] = process.argv.slice(2)

async function pixelsOf(file) {
  const { data, info } = await sharp(file).removeAlpha().raw().toBuffer({ resolveWithObject: true })
  return { data, width: info.width, height: info.height }
}

/** The pixels in which two pictures of one size differ, and the box around them. */
function difference(a, b) {
  const box = { left: a.width, top: a.height, right: -1, bottom: -1 }
  let count = 0
  for (let pixel = 0; pixel < a.width * a.height; pixel++) {
    const first = pixel * 3
    const same = [0, 1, 2].every((colour) => a.data[first + colour] === b.data[first + colour])
    if (same) continue
    count++
    const x = pixel % a.width
    const y = Math.floor(pixel / a.width)
    box.left = Math.min(box.left, x)
    box.right = Math.max(box.right, x)
    box.top = Math.min(box.top, y)
    box.bottom = Math.max(box.bottom, y)
  }
  return { count, box }
}

let different = 0
const names = readdirSync(before).filter((name) => name.endsWith('.png'))
for (const name of names) {
  const [a, b] = await Promise.all([pixelsOf(join(before, name)), pixelsOf(join(after, name))])
  const sameSize = a.width === b.width && a.height === b.height
  const { count, box } = sameSize ? difference(a, b) : { count: a.width * a.height, box: undefined }
  if (count === 0) continue
  different++
  const place = box && `x ${box.left}–${box.right}, y ${box.top}–${box.bottom}`
  console.log(`${name}: ${count} pixels, ${place ?? 'another size'}`)
}
console.log(`${names.length} pictures, ${different} different`)
process.exitCode = different > 0 ? 1 : 0
