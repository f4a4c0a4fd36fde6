import { PageTabs } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useMe } from './session'

/** The parts of the area People: the directory for everybody, the others as far as one may. */
export function PeopleTabs() {
  const { t } = useTexts()
  const { permissions } = useMe()
  const uses = permissions.includes('guides.publish') || permissions.includes('guides.all')
  const parts = [
    { to: '/people', words: t('Directory'), shown: true, end: true },
    { to: '/people/chart', words: t('Org chart'), shown: true },
    { to: '/people/roles', words: t('Roles'), shown: true },
    { to: '/people/groups', words: t('Groups'), shown: true },
    { to: '/people/audiences', words: t('Audiences'), shown: uses },
    { to: '/people/rights', words: t('Changes of rights'), shown: permissions.includes('company.settings') },
  ]
  return <PageTabs label={t('People')} parts={parts.filter(({ shown }) => shown)} />
}
