import { endEvaluators } from '../utils/evaluators.ts'

/** No thread outlives the server. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('close', endEvaluators)
})
