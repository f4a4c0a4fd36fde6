import type { GroupKind } from '@jackdaw/contracts/groups'
import type { TFunction } from 'i18next'
import type { FactColumn } from '@jackdaw/core/people'
import { kindWords } from '../kindWords'

/** What the facts of a file are called. */
export const factWords = (t: TFunction): Record<FactColumn, string> => ({
  number: t('Personnel number'),
  name: t('Name'),
  firstName: t('First name'),
  lastName: t('Last name'),
  mail: t('Mail address'),
  telephone: t('Telephone'),
  jobTitle: t('Job title'),
  startedOn: t('First day'),
  site: t('Primary site'),
  level: t('Level'),
  manager: t('Reports to'),
})

/** What a column of a file says, in words. @param kinds those of the company */
export function columnWords(column: string, kinds: readonly GroupKind[], t: TFunction): string {
  const facts: Record<string, string> = factWords(t)
  const kind = kinds.find(({ id }) => `groups:${id}` === column)
  return facts[column] ?? (kind ? kindWords({ kind: kind.id, kindName: kind.name }, t) : column)
}
