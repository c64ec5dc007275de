import { cutAfterAnswer } from '../utils/cut-line.ts'
import { contentPolicy, HEADERS } from '../utils/headers.ts'

const ALL = { ...HEADERS, 'content-security-policy': contentPolicy() }

/** The same careful headers on pages, files and routes, and an end to every request; which program made an answer is not said. */
export default defineNitroPlugin((nitro) => {
  // before anything answers: files are sent ahead of every handler of ours
  nitro.hooks.hook('request', (event) => {
    setResponseHeaders(event, ALL)
    cutAfterAnswer(event.node.req, event.node.res)
  })
  // the policy of a page names the scripts that stand in it
  nitro.hooks.hook('render:response', (response) => {
    const headers = response.headers ?? {}
    delete headers['x-powered-by']
    response.headers = { ...headers, 'content-security-policy': contentPolicy(typeof response.body === 'string' ? response.body : '') }
  })
})
