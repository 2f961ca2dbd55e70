import type { Reading } from '../quantity/readQuantity'
import { readJcamp } from './readJcamp'
import { readTraceCsv } from './readTraceCsv'
import type { Trace } from './trace'

/** Reads the file of an instrument, whichever form it has: JCAMP-DX says so in its first line, anything else is two columns. */
export const readTrace = (text: string, name: string): Reading<Trace> =>
  /^\s*(\$\$[^\n]*\n\s*)*##/.test(text) ? readJcamp(text) : readTraceCsv(text, name)
