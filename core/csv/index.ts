export { mergeRow, readShelfCsv, shelfCsv, SHELF_COLUMNS } from './shelf-csv'
export type { ShelfCsvRead, ShelfFault, ShelfRow } from './shelf-csv'
