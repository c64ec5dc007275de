import { refusal } from '../utils/who-asks.ts'

/** Names this server is reached by in its house, beside addresses in figures. */
const named = (process.env.ALLOWED_HOSTS ?? '')
  .split(',')
  .map((name) => name.trim().toLowerCase())
  .filter(Boolean)

/** No page of another site, and no name of another site that leads here, gets an answer of the API. */
export default defineEventHandler((event) => {
  const [path = ''] = event.path.split('?')
  if (path !== '/api' && !path.startsWith('/api/')) return
  const found = refusal({ method: event.method, path, headers: event.node.req.headers }, named)
  if (!found) return
  setResponseStatus(event, found.status)
  if (found.allow) setResponseHeader(event, 'allow', found.allow)
  return { message: found.message }
})
