import { PersonPage } from '../people/directory/PersonPage'
import { ReportsWaiting } from '../records/ReportsWaiting'

/** One person's page, with what waits for those who report to them. */
export const PersonHomePage = () => <PersonPage reports={(person) => <ReportsWaiting person={person} />} />
