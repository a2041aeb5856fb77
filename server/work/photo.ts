import sharp from 'sharp'

const LONGEST_EDGE = 2048
const MOST_PIXELS = 60_000_000
const QUALITY = 86
/** What cameras write; drawings and documents that the decoder could also open are left out. */
const KINDS: readonly string[] = ['jpeg', 'png', 'webp', 'heif', 'tiff', 'gif']

/** A photograph drawn anew; or why it cannot be read. */
export type Drawn =
  | { readonly bytes: Uint8Array; readonly width: number; readonly height: number }
  | { readonly refused: string }

/**
 * A photograph on disk as it is kept: decoded within a limit of pixels and drawn anew as a JPEG of at most 2048 pixels, upright, without any
 * metadata. What is no picture is refused in words, whatever its name says.
 */
export async function drawnAnew(file: string): Promise<Drawn> {
  try {
    const { format } = await sharp(file).metadata()
    if (!KINDS.includes(format ?? '')) return { refused: `it is ${format}` }
    const { data, info } = await sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({
        width: LONGEST_EDGE,
        height: LONGEST_EDGE,
        fit: 'inside',
        withoutEnlargement: true,
      })
      .jpeg({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true })
    return { bytes: new Uint8Array(data), width: info.width, height: info.height }
  } catch (error) {
    return { refused: (error as Error).message.split('\n')[0]!.replaceAll(file, 'the file') }
  }
}
