import { nanoid } from 'nanoid'
import { aFolder, anotherEdition, aShareLink } from './sharingThings'
import { body, type Special } from './special'
import type { HostileWorld, Things } from './world'

const linkTo = (world: HostileWorld, things: Things) =>
  aShareLink(world.server, { guideId: things.guide, madeBy: world.company.people.lead })

/** Behind a link that holds. */
const behind: Special = async (world, things, input) => {
  input.params['token'] = (await linkTo(world, things)).token
  if (input.params['edition']) input.params['edition'] = '1'
  delete input.query['visit']
}

/** What no schema can say of links and of those who come by them. */
export const SHARING_INPUTS: Record<string, Special> = {
  'put /api/folders/:folderId/open': async (world, things) => void (await linkTo(world, things)),
  'get /api/open-folders/:folderId': async (world, things, input) => {
    await linkTo(world, things)
    input.params['folderId'] = await aFolder(world.server, world.company.people.lead)
  },
  'put /api/sharing': body((sent) => void (sent['frames'] = ['https://wiki.example.org'])),
  'post /api/guides/:id/links': async (world, things, input) => {
    await linkTo(world, things)
    Object.assign(input.body as object, { carries: null, expiresOn: null })
  },
  'post /api/guides/:id/links/:linkId/revoke': async (world, things, input) => {
    input.params['linkId'] = (await linkTo(world, things)).id
  },
  'get /api/shared/:token': behind,
  'post /api/shared/:token/visits': async (world, things, input, caller, random) => {
    await behind(world, things, input, caller, random)
    input.body = { visit: nanoid(), number: null }
  },
  'get /api/shared/:token/editions/:edition/holding': behind,
  'post /api/shared/:token/events': async (world, things, input, caller, random) => {
    await behind(world, things, input, caller, random)
    ;(input.body as Record<string, unknown>)['visit'] = nanoid()
  },
  'get /shared/:token/editions/:edition/pictures/:pictureId': behind,
  'get /api/guides/:id/editions/:edition/holding': (_world, _things, input) => void (input.params['edition'] = '1'),
  'post /api/guides/:id/editions/:edition/withdraw': async (world, things, input) => {
    await anotherEdition(world.server, things.guide)
    input.params['edition'] = '2'
    input.body = { why: 'A wrong valve' }
  },
}
