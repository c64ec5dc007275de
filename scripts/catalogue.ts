import { withCatalogue } from '../core/demo/catalogue.ts'
import { stop, write } from './file-in.ts'

/** The demo's car with an invented catalogue of any size, as a project file on stdout: `npm run -s catalogue -- 400 [SEED]`. */
const [count, seed = '1'] = process.argv.slice(2).map(Number) as [number?, number?]
if (count === undefined || !Number.isInteger(count) || count < 1 || count > 1900 || !Number.isInteger(Number(seed)))
  stop(['How many parts, from 1 to 1900? npm run -s catalogue -- 400 [SEED]'])
write(`${JSON.stringify(withCatalogue(count, Number(seed)))}\n`)
