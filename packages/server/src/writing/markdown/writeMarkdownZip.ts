import { figuresInGuide, writeMarkdown } from '@jackdaw/core/exchange'
import { textsIn } from '../../words'
import { FlatPictures } from '../flatPicture'
import type { WritingJobs } from '../jobs'
import { ZipFile } from '../zipFile'

/** A name for a folder that every system takes. */
const folderOf = (title: string, n: number): string =>
  `${String(n + 1).padStart(2, '0')} ${title
    .replace(/[\\/:*?"<>|\p{Cc}.]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, 60)}`.trim()

/** Writes guides as Markdown with their pictures, in a zip: each in a folder of its own where there are several. */
export async function writeMarkdownZip(
  { handout, pictures, language, file, now }: WritingJobs['markdown']['asked'],
  progress: (done: number, of: number) => void,
): Promise<WritingJobs['markdown']['done']> {
  const t = textsIn(language)
  const zip = new ZipFile(file, now)
  const written = handout.guides.map((guide) => ({ guide, figures: figuresInGuide(guide, t), ...writeMarkdown(guide, handout.home, t) }))
  const flat = new FlatPictures(
    pictures,
    written.flatMap(({ figures }) => [...figures.values()]),
  )
  const all = written.reduce((sum, each) => sum + each.pictures.length, 0) + 1
  let done = 0
  for (const [n, each] of written.entries()) {
    const folder = written.length > 1 ? `${folderOf(each.guide.document.title, n)}/` : ''
    zip.text(`${folder}guide.md`, each.text)
    for (const { stepId, index, path } of each.pictures) {
      const figure = each.figures.get(`${stepId} ${index}`)
      if (figure) zip.bytes(`${folder}${path}`, (await flat.of(figure)).bytes)
      progress(++done, all)
    }
  }
  await zip.end()
  return { pages: null, missing: [] }
}
