/** An address without the values in its query, its fragment's query and its credentials; the names stay.
 * Text that is no address comes back empty. */
export function withoutValues(address: string): string {
  const match = /^([a-z][a-z0-9+.-]*:)(\/\/)?([^/?#]*)([^?#]*)(\?[^#]*)?(#.*)?$/i.exec(address.trim())
  if (!match) return ''
  const [, scheme = '', slashes = '', host = '', path = '', query = '', fragment = ''] = match
  if (!/^(https?|file):$/i.test(scheme)) return slashes === '' ? scheme : `${scheme}${slashes}${host.replace(/^.*@/, '')}`
  return `${scheme}${slashes}${host.replace(/^.*@/, '')}${path}${namesOnly(query)}${fragmentPath(fragment)}`.slice(0, 2_000)
}

const namesOnly = (query: string): string =>
  query.length < 2
    ? ''
    : `?${query
        .slice(1)
        .split('&')
        .map((pair) => pair.replace(/=.*$/, ''))
        .filter((name) => name !== '')
        .join('&')}`

/** Of a fragment only a path or a plain anchor is kept; a fragment of pairs carries values. */
function fragmentPath(fragment: string): string {
  const [path = '', query] = fragment.split('?')
  return path.includes('=') ? '' : path + (query === undefined ? '' : namesOnly(`?${query}`))
}

/** What tells two pages apart: origin and path, numbers and long codes in the path set aside. */
export function pageKey(address: string): string {
  const [, origin = '', path = ''] = /^([a-z]+:\/\/[^/?#]*)([^?#]*)/i.exec(address) ?? []
  const route = /#(!?\/[^?]*)/.exec(address)?.[1] ?? ''
  return origin.toLowerCase() + `${path}${route}`.replace(/\/+$/, '').replace(/\/(?:\d+|[0-9a-f]{8,}|[0-9a-f-]{32,})(?=\/|$)/gi, '/*')
}

/** Scheme, host and port. */
export const originOf = (address: string): string => (/^[a-z]+:\/\/[^/?#]*/i.exec(address)?.[0] ?? address).toLowerCase()
/** Host and port alone. */
export const hostOf = (address: string): string => originOf(address).replace(/^[a-z]+:\/\//, '')
