import { expose } from 'comlink'
import { readShelfCsv, type ShelfCsvRead } from '#core/csv'

const shelfFiles = {
  read: (
    text: string,
    minorDigits: number,
    today: string,
    onProgress: (done: number, of: number) => void,
  ): ShelfCsvRead => readShelfCsv(text, { minorDigits, today, onProgress }),
}
export type ShelfFiles = typeof shelfFiles
expose(shelfFiles)
