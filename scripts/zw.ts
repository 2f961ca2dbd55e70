import { pdfOf } from '@/test-support/handoutFiles'
import { textOfFile } from '@/workers/textOfFile'
console.log(JSON.stringify(await textOfFile('a.pdf', pdfOf(['Benzil', 'Heat 4.0 g of benzoin with 14 mL of conc. nitric acid at 95 °C for 10 min.']))))
try { await textOfFile('s.pdf', pdfOf([])) } catch (e) { console.log((e as Error).message) }
