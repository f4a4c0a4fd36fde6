import { SuggestedDuties } from '../beginning/SuggestedDuties'
import { useMe } from '../people'
import { RolesPage } from '../people/chart/RolesPage'

/** Who holds which role and, for those who may change groups, what is common in a line of work. */
export function RolesHomePage() {
  return <RolesPage below={useMe().permissions.includes('people.manage') && <SuggestedDuties />} />
}
