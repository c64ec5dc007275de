import { AXLES } from '../quantity/axle.ts'
import { priceRecord } from './price.ts'
import { defineRecord, group, id, labelled, list, name, needed, note, oneOf, string, type ValueOf } from './record.ts'

export const axleName = () => needed(oneOf(AXLES, { mismatch: 'must be front or rear' }), 'the axle is missing')

/** A kit with a price of its own, or a vehicle with the parts that it yields. */
export const bundleRecord = defineRecord({
  id: id(),
  kind: needed(oneOf(['kit', 'donor'], { mismatch: 'must be kit or donor' }), 'the kind is missing'),
  name: name(),
  maker: string(),
  /** Of a donor. */
  years: string(60),
  trims: string(),
  /** The axle its parts come from, or are made for. */
  axle: axleName(),
  parts: labelled('Parts', needed(list(id(), 40, { tooLong: 'at most 40 parts' }))),
  /** For everything together. */
  price: labelled('price', group(priceRecord)),
  note: note(),
})
export type Bundle = ValueOf<typeof bundleRecord>
