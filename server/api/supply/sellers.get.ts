import { SELLERS } from '../../utils/price-desk.ts'

/** Who answers at the simulated price desk. */
export default defineEventHandler(() => SELLERS.map(({ name, kind, condition }) => ({ name, kind, condition })))
