import sharp from 'sharp'

const [WIDTH, HEIGHT] = [900, 1170]

/** Stand-ins for photographs: a drawing of nobody, redder or calmer. `redness` 0..1. Gives a JPEG with its size. */
export async function drawnPhoto(
  redness: number,
): Promise<{ width: number; height: number; bytes: Buffer }> {
  const blotches = [
    [300, 640, 84],
    [600, 632, 92],
    [452, 690, 60],
    [450, 420, 70],
    [520, 840, 54],
  ]
    .map(
      ([x, y, r]) =>
        `<circle cx="${x}" cy="${y}" r="${r}" fill="#b4463f" opacity="${(redness * 0.5).toFixed(2)}"/>`,
    )
    .join('')
  const dots = Array.from(
    { length: 26 },
    (_, k) =>
      `<circle cx="${300 + ((k * 137) % 310)}" cy="${380 + ((k * 211) % 470)}" r="${3 + (k % 4)}" fill="#8f3b35" opacity="${(redness * 0.7).toFixed(2)}"/>`,
  ).join('')
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" width="${WIDTH}" height="${HEIGHT}">
    <defs><filter id="soft"><feGaussianBlur stdDeviation="26"/></filter><radialGradient id="skin" cx="46%" cy="40%" r="70%"><stop offset="0" stop-color="#e0b896"/><stop offset="1" stop-color="#b98a67"/></radialGradient></defs>
    <rect width="${WIDTH}" height="${HEIGHT}" fill="#cfc8ba"/><path d="M330 900 V1170 H570 V900 Z" fill="#b18361"/><path d="M60 1170 C120 1050 260 1040 330 1000 H570 C640 1040 780 1050 840 1170 Z" fill="#eee9df"/>
    <path d="M450 190 C250 190 190 340 200 520 C206 690 290 900 450 960 C610 900 694 690 700 520 C710 340 650 190 450 190 Z" fill="url(#skin)"/>
    <path d="M186 500 C150 230 290 110 450 110 C610 110 750 230 714 500 C690 330 600 290 450 280 C300 290 210 330 186 500 Z" fill="#4a382c"/>
    <g filter="url(#soft)">${blotches}</g>${dots}
    <g fill="none" stroke="#5b4334" stroke-width="7" stroke-linecap="round"><path d="M284 508 C318 532 356 532 390 508"/><path d="M510 508 C544 532 582 532 616 508"/><path d="M270 452 C306 430 350 430 388 448"/><path d="M512 448 C550 430 594 430 630 452"/><path d="M436 520 C430 600 420 650 410 672 C424 690 476 690 490 672"/></g>
    <path d="M376 784 C410 764 434 768 450 774 C466 768 490 764 524 784 C490 826 410 826 376 784 Z" fill="#a65f55"/></svg>`
  const { data, info } = await sharp(Buffer.from(svg))
    .jpeg({ quality: 78 })
    .toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, bytes: data }
}
