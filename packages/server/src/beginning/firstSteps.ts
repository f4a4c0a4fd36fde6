import { FirstStep, orderSteps } from '@jackdaw/core/beginning'
import type { Parts } from '../http'
import { companyFacts, saveCompanyFacts } from '../settings'

/** How far a company has come, as it really is. Once all is there, nobody is led any more, whatever happens later. */
export async function firstSteps({ database, firstSteps: there }: Parts) {
  const facts = await companyFacts(database)
  const columns = FirstStep.options.map((step) => `${there[step] ?? 'false'} as "${step}"`)
  const row = await database.one<Record<FirstStep, boolean>>(`select ${columns.join(', ')}`)
  const steps = orderSteps(new Set(FirstStep.options.filter((step) => row?.[step])))
  const whole = steps.every(({ done }) => done)
  if (facts && whole && !facts.begun) await saveCompanyFacts(database, { ...facts, begun: true })
  return { steps, gone: !facts || facts.begun || whole }
}
