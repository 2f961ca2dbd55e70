/** `mozle calc` and `mozle read`, which answer in a fraction of a second. */
import { leave } from './outcome'

const [command, ...args] = process.argv.slice(2)
leave(command === 'calc' ? (await import('./calc')).calc(args) : await (await import('./read')).read(args))
