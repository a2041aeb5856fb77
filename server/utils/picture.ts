import sharp from 'sharp'
import { TooLarge, WrongType } from './problem'

/** Largest file that is taken, in bytes. */
export const PHOTO_MOST_BYTES = 20 * 1024 * 1024
const LONGEST_EDGE = 2048
const MOST_PIXELS = 60_000_000
const QUALITY = 86
/** What cameras write; drawings and documents that the decoder could also open are left out. */
const KINDS: readonly string[] = ['jpeg', 'png', 'webp', 'heif', 'tiff', 'gif']
const refused = (why: string) =>
  new WrongType({
    code: 'not_a_photo',
    detail: `This file is no photograph that can be read (${why}). Use JPEG, PNG, WebP or AVIF.`,
    path: 'photo',
  })

/**
 * A photograph as it is kept: decoded and drawn anew as a JPEG of at most 2048 pixels, upright, without any metadata. What is no
 * picture is refused in words, whatever its name says.
 */
export async function reencoded(
  bytes: Buffer,
): Promise<{ bytes: Buffer; width: number; height: number }> {
  if (bytes.length > PHOTO_MOST_BYTES)
    throw new TooLarge({
      code: 'photo_too_large',
      detail: `This photograph has ${Math.round(bytes.length / 1_048_576)} MB; at most ${PHOTO_MOST_BYTES / 1_048_576} MB are taken. Take it again with a smaller size.`,
      path: 'photo',
    })
  const { format } = await sharp(bytes)
    .metadata()
    .catch((error: Error) => {
      throw refused(error.message.split('\n')[0]!)
    })
  if (!KINDS.includes(format ?? '')) throw refused(`it is ${format}`)
  try {
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({
        width: LONGEST_EDGE,
        height: LONGEST_EDGE,
        fit: 'inside',
        withoutEnlargement: true,
      })
      .jpeg({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true })
    return { bytes: data, width: info.width, height: info.height }
  } catch (error) {
    throw refused((error as Error).message.split('\n')[0]!)
  }
}
