/** What is sent where a route is tried that reads a body. */
export const SET_UP = {
  ...{ token: 'none', company: { name: 'A', lineOfWork: null, size: '1-20' }, look: { logo: '', colour: '#095660' } },
  ...{ site: { name: 'B', zone: 'Europe/London' }, admin: { name: 'C', mail: 'c@example.org', password: 'long enough for it' } },
}
export const LIST = new TextEncoder().encode('No,Name\n1,Somebody\n')
export const TUS = { 'tus-resumable': '1.0.0', 'upload-offset': '0', 'content-type': 'application/offset+octet-stream' }
export const AS_BYTES = { 'content-type': 'application/octet-stream' }
export const PLAN = {
  ...{ title: 'First weeks', about: '', working: true, dayLimitMin: null },
  stages: [{ id: 's'.repeat(21), name: 'One', release: 'both', free: { days: 0, working: true }, items: [] }],
}
export const TASK = { title: 'Walk the route', words: '', picture: null, minutes: 5, confirmer: { by: 'manager' }, evidence: 'none' }
export const REMINDERS = { reminders: { before: [3], after: [1], managerAfter: null }, mail: { quietFrom: 18, quietUntil: 7, least: [] } }
export const GIVING = { use: 'to-do', due: { kind: 'none' }, repeatMonths: null, tell: false }
