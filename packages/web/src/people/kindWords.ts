import type { TFunction } from 'i18next'

/** What a kind of groups is called: one that every company has in the reader's language, one of its own as it calls it. */
export function kindWords({ kind, kindName }: { kind: string; kindName: string }, t: TFunction): string {
  const known: Record<string, string> = { site: t('Site'), department: t('Department'), team: t('Team'), role: t('Role') }
  return known[kind] ?? kindName
}

/** What several groups of a kind are called together; those of the company's own kinds as the kind. */
export function kindsWords(of: { kind: string; kindName: string }, t: TFunction): string {
  const known: Record<string, string> = { site: t('Sites'), department: t('Departments'), team: t('Teams'), role: t('Roles') }
  return known[of.kind] ?? of.kindName
}
