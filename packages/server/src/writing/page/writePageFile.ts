import { writeFile } from 'node:fs/promises'
import { figuresInGuide, partsOfFigures, writePage, type FigurePart } from '@jackdaw/core/exchange'
import { textsIn } from '../../words'
import type { WritingJobs } from '../jobs'
import { cropped } from '../pictureBitmap'
import { fontRules } from './fontRules'

/** A picture of the page is at most so wide, in pixels: twice the width at which it is read. */
const MOST_PX = 1_520
const keyOf = ({ picture, from, hidden }: FigurePart): string => JSON.stringify([picture, from, hidden])

/** Writes guides as one page that needs nothing beside it. */
export async function writePageFile(
  asked: WritingJobs['page']['asked'],
  progress: (done: number, of: number) => void,
): Promise<WritingJobs['page']['done']> {
  const { handout, pictures, language, file } = asked
  const t = textsIn(language)
  const figures = handout.guides.map((guide) => figuresInGuide(guide, t))
  const parts = new Map(figures.flatMap(partsOfFigures).map((part) => [keyOf(part), part]))
  const sources = new Map<string, string>()
  let done = 0
  const waiting = [...parts]
  const work = async (): Promise<void> => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [key, part] = next
      const stored = pictures[part.picture]
      if (stored) {
        const picture = await cropped(stored.path, { from: part.from, hidden: part.hidden, mostPx: MOST_PX })
        const bytes = await picture.webp({ quality: 84, effort: 3 }).toBuffer()
        sources.set(key, `data:image/webp;base64,${bytes.toString('base64')}`)
      }
      progress(++done, parts.size + 1)
    }
  }
  await Promise.all([work(), work()])
  const fonts = fontRules(JSON.stringify(handout.guides.map((guide) => guide.document)))
  await writeFile(file, writePage(handout, figures, { sourceOf: (part) => sources.get(keyOf(part)) ?? null, fonts, t }))
  return { pages: null, missing: [] }
}
