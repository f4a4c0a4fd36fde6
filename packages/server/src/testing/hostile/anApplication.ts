import type { ApplicationId } from '@jackdaw/core/shared'
import { connect } from '../../applications'
import type { Company, TestServer } from '../testServer'

/** An application that is connected in the name of the admin. */
export const anApplication = ({
  server: { parts, clock },
  company,
}: {
  server: TestServer
  company: Company
}): Promise<{ id: ApplicationId; token: string }> =>
  connect(parts.database, parts.newId, { name: 'Order Book', scopes: ['acts.tell'] }, company.people.admin, clock.now)
