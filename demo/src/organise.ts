import { EVERYBODY, NOBODY, ticked, type AudienceRule } from '@jackdaw/core/audiences'
import { addDays, localDateAt, type GuideId, type PersonId } from '@jackdaw/core/shared'
import { LEAD_OF } from './company'
import { DUTIES } from './duties'
import type { Ids } from './people'
import type { DemoServices } from './services'

/** Who leads which team, what roles answer for, who is a first aider, and the audiences that the lead has saved.
 * @param until when the made-up activity ends, epoch milliseconds */
export async function organise(
  services: DemoServices,
  ids: Ids,
  guides: ReadonlyMap<string, GuideId>,
  lead: PersonId,
  until: number,
): Promise<void> {
  for (const [team, name] of Object.entries(LEAD_OF)) await services.setLeader(ids.teams.get(team)!, ids.people.get(name)!)
  for (const [role, duties] of Object.entries(DUTIES))
    await services.setDuties(
      ids.roles.get(role)!,
      duties.map(({ title, about = '', guides: files = [] }) => ({
        id: services.newId(),
        title,
        about,
        guides: files.map((file) => guides.get(file)!),
      })),
      lead,
    )
  await services.addKind(
    'First aiders',
    [
      { name: 'First aid, Brookside', people: ['Gareth Pike', 'Ada Finch', 'Dieter Kranz'].map((name) => ids.people.get(name)!) },
      { name: 'First aid, North House', people: [ids.people.get('Tomasz Wilk')!] },
      { name: 'First aid, Quay Depot', people: [ids.people.get('Rosalind Abbey')!] },
    ],
    until - 200 * 86_400_000,
  )
  for (const { name, about, rule } of audiences(ids, until))
    await services.saveAudience(services.newId(), { name, about, rule }, lead, until - 20 * 86_400_000)
}

function audiences(ids: Ids, until: number): { name: string; about: string; rule: AudienceRule }[] {
  const team = (name: string) => ids.teams.get(name)!
  const role = (name: string) => ids.roles.get(name)!
  const person = (name: string) => ids.people.get(name)!
  return [
    { name: 'Everybody at Brookside', about: 'Site notices, fire drill', rule: ticked([ids.sites.get('Brookside')!], []) },
    {
      name: 'Packhouse without shift leads',
      about: 'Work instructions of the lines',
      rule: {
        ...EVERYBODY,
        of: [
          { asks: 'group', groups: [team('Crate line A'), team('Crate line B')] },
          { asks: 'group', groups: [role('shift lead')], not: true },
        ],
      },
    },
    { name: 'Newcomers', about: 'Their first ninety days', rule: { ...NOBODY, of: [{ asks: 'started-within', days: 90 }] } },
    {
      name: 'Under the line leads, and the drivers',
      about: 'Crate handling from line to lorry',
      rule: {
        ...NOBODY,
        of: [
          { asks: 'manager', people: [person('Gareth Pike'), person('Linnea Moss')] },
          {
            join: 'all',
            of: [
              { asks: 'group', groups: [role('dispatch driver'), role('forklift driver')] },
              { asks: 'group', groups: [ids.sites.get('Quay Depot')!] },
            ],
          },
        ],
        except: [person('Inés Robledo')],
      },
    },
    {
      name: 'Order desk as it was three weeks ago',
      about: 'Those who were shown the new Order Book',
      rule: { ...ticked([team('Order desk')], []), asOf: addDays(localDateAt(until, 'Europe/London'), -21) },
    },
  ]
}
