import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Member } from './people'
import type { DemoServices } from './services'

/** Which drawn faces go with which given names; each is somebody's once, and not everybody has set one. */
const HERS = [1, 2, 3, 7, 8, 9, 13, 14, 15, 19, 25, 26, 27]
const HIS = [0, 4, 5, 6, 10, 11, 12, 16, 17, 18, 22, 23, 24, 28, 29]
const HER_NAMES = new Set(
  'Agnieszka Carmen Elspeth Farah Hanna Jolanta Lena Nerea Paulina Rosa Tamsin Ulrike Wanda Ximena Zofia Ágata Cerys Dorota Freya Helena Priya Marta Linnea Rosalind Inés Ada'.split(
    ' ',
  ),
)

/** Sets the pictures of people: of those whom one meets first, and of others as long as there are faces.
 * @param folder where the demo's pictures lie */
export async function setFaces(services: DemoServices, folder: string, members: readonly Member[]): Promise<void> {
  const left = { hers: [...HERS], his: [...HIS] }
  await Promise.all(
    members.map(async ({ id, name }) => {
      const number = left[HER_NAMES.has(name.split(' ')[0]!) ? 'hers' : 'his'].shift()
      if (number === undefined) return
      await services.setFace(id, await readFile(join(folder, 'faces', `${String(number).padStart(2, '0')}.png`)))
    }),
  )
}
