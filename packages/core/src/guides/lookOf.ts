import type { GuideLook, Look } from './look'

/** The look of a company that has not chosen one. */
export const PLAIN_LOOK: Look = {
  name: '',
  logo: '',
  colour: '#095660',
  type: 'serif',
  frameColour: '#0fb5c9',
  framePx: 3,
  labelColour: '#17212b',
  labelPx: 15,
  labelFace: 'sans',
  head: ['edition', 'date', 'owner', 'minutes'],
}

/** The company's look with what the guide overrules. */
export const lookOf = (company: Look, guide: GuideLook): Look => ({
  ...company,
  ...Object.fromEntries(Object.entries(guide).filter(([, value]) => value !== undefined)),
})
