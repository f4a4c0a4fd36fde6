import type { Handout, HandoutGuide } from '@jackdaw/core/exchange'
import {
  guideQuizzesOf,
  lookOf,
  minutesToRead,
  readDocument,
  readyToRead,
  shownPictures,
  stepsOf,
  type GuideDocument,
  type Look,
} from '@jackdaw/core/guides'
import { guideItem } from '@jackdaw/core/items'
import { LANGUAGES, type Language } from '@jackdaw/core/people'
import type { GroupId, GuideId, PictureId, QuizId } from '@jackdaw/core/shared'
import QRCode from 'qrcode'
import type { Db } from '../../db'
import { picturesOfEdition, picturesOfItem } from '../../files'
import { findLook } from '../../guides'
import { fail, type Parts } from '../../http'
import type { Chosen } from './choose'

/** A stored picture that goes into a file. */
export type UsedPicture = { id: PictureId; version: number; hash: string; mediaType: string }
/** What a file is written from. */
export type Gathered = { handout: Handout; pictures: UsedPicture[] }

type Row = { number: number; edition: number | null; owner: string; published_at: Date | null; bytes: string | null; draft: unknown }

/** A day written out, with its year. */
const dayIn = (language: Language, at: number): string =>
  new Intl.DateTimeFormat(LANGUAGES[language].locale, { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(at),
  )

/** An address as a code to be scanned: SVG path data, with the empty border that it needs. */
function codeOf(address: string): HandoutGuide['qr'] {
  const border = 2
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' })
  const { size } = modules
  let d = ''
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      if (!modules.get(y, x)) continue
      let end = x
      while (end + 1 < size && modules.get(y, end + 1)) end++
      d += `M${x + border} ${y + border}h${end - x + 1}v1h-${end - x + 1}z`
      x = end
    }
  return { d, size: size + 2 * border }
}

const groupsAskedFor = (document: GuideDocument): GroupId[] =>
  stepsOf(document).flatMap(({ flow }) =>
    [flow?.skipWhen, ...(flow?.rules ?? []).map((rule) => rule.when)].flatMap((when) => (when && when.of !== 'value' ? when.ids : [])),
  )

async function namesOf<I extends string>(db: Db, sql: string, ids: readonly I[]): Promise<Record<I, string>> {
  const rows = ids.length === 0 ? [] : await db.rows<{ id: I; name: string }>(sql, [[...new Set(ids)]])
  return Object.fromEntries(rows.map((row) => [row.id, row.name])) as Record<I, string>
}

/** `whole`: with what is there for authors only, but for what the recorder was not sure of. */
type Asked = { draft: boolean; language: Language; now: number; whole: boolean }

const withoutChecks = (document: GuideDocument): GuideDocument => ({
  ...document,
  items: document.items.map((item) => {
    if (item.kind !== 'step') return item
    const { check: _, ...step } = item
    return step
  }),
})

async function guideOf(
  db: Db,
  home: string,
  company: Look,
  id: GuideId,
  section: Chosen['section'],
  { draft, language, whole }: Asked,
): Promise<{ guide: HandoutGuide; pictures: UsedPicture[] }> {
  const row = await db.one<Row>(
    `select g.number, i.edition, o.name as owner, e.published_at, e.bytes, case when $2 then d.document end as draft
     from guide g join item i on i.kind = 'guide' and i.id = g.id join person o on o.id = g.owner_id join draft d on d.guide_id = g.id
     left join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition where g.id = $1`,
    [id, draft],
  )
  if (!row || (!draft && row.bytes === null)) return fail('not-found')
  const stored = readDocument(draft ? row.draft : JSON.parse(row.bytes!))
  const document = whole ? withoutChecks(stored) : readyToRead(stored)
  if (section !== null && !document.items.some((item) => item.id === section)) fail('not-found', 'The guide has no such section any more.')
  const edition = draft ? null : row.edition
  const files = edition === null ? await picturesOfItem(db, guideItem(id)) : await picturesOfEdition(db, guideItem(id), edition)
  const shown = shownPictures(document)
  const address = `${home}/guides/${id}${edition === null ? '/edit' : `?printed=${edition}`}`
  const quizIds: QuizId[] = guideQuizzesOf(document).map((quiz) => quiz.quizId)
  return {
    pictures: files.flatMap(({ id: pictureId, version, fullHash, mediaType }) =>
      shown.has(pictureId) ? [{ id: pictureId, version, hash: fullHash, mediaType }] : [],
    ),
    guide: {
      guideId: id,
      number: row.number,
      edition,
      published: edition === null || !row.published_at ? '' : dayIn(language, row.published_at.getTime()),
      owner: row.owner,
      minutes: minutesToRead(document),
      document,
      section,
      look: lookOf(company, document.look),
      sizes: Object.fromEntries(files.map(({ id: pictureId, widthPx, heightPx }) => [pictureId, { widthPx, heightPx }])),
      quizzes: await namesOf(
        db,
        `select i.id, e.title as name from item i join edition e on e.item_kind = i.kind and e.item_id = i.id and e.number = i.edition where i.kind = 'quiz' and i.id = any ($1)`,
        quizIds,
      ),
      groups: await namesOf(db, 'select id, name from people_group where id = any ($1)', groupsAskedFor(document)),
      address,
      qr: codeOf(address),
    },
  }
}

/** Brings together all that a file of guides is written from, as it is at the time. */
export async function gather(
  { database: db, config }: Pick<Parts, 'database' | 'config'>,
  { guides, section }: Chosen,
  title: string,
  asked: Asked,
): Promise<Gathered> {
  const company = await findLook(db)
  const all: Awaited<ReturnType<typeof guideOf>>[] = []
  for (const id of guides) all.push(await guideOf(db, config.publicUrl, company, id, section, asked))
  const [first] = all
  const handout: Handout = {
    title: title || first?.guide.document.title || '',
    made: dayIn(asked.language, asked.now),
    language: asked.language,
    home: config.publicUrl,
    look: company,
    guides: all.map((each) => each.guide),
  }
  return { handout, pictures: [...new Map(all.flatMap((each) => each.pictures).map((picture) => [picture.id, picture])).values()] }
}
