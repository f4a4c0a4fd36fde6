import { Look } from '@jackdaw/core/guides'
import { endpoint } from './endpoint'

/** How the company's guides look. */
export const getLook = endpoint({ method: 'get', path: '/api/look', access: { may: 'look.read' }, response: Look, problems: [] })
/** Changes how all guides look that do not overrule it. */
export const saveLook = endpoint({
  method: 'put',
  path: '/api/look',
  access: { may: 'look.change' },
  body: Look,
  maxBytes: 512 * 1024,
  response: Look,
  problems: ['invalid'],
})
