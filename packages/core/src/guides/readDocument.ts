import type { Annotation } from './annotation'
import { PLAIN_SOLO } from './exercise'
import type { GuideDocument, GuideItem, Step } from './document'

/** Space between an element and its frame, in pixels at the reading width. */
export const FRAME_GAP_PX = 3

/** Steps from an older version of the stored document to the next one, by the version they start from. */
const MIGRATIONS: Readonly<Record<number, (stored: Record<string, unknown>) => Record<string, unknown>>> = {
  // Version 2 lets a step have an action on screen and a mark that it is to be looked at; older steps have neither.
  1: (stored) => ({ ...stored, version: 2 }),
  // Version 3 has annotations: what was framed without saying so gets a frame of its own.
  2: (stored) => ({
    ...stored,
    version: 3,
    look: {},
    signs: [],
    silenced: [],
    items: (stored['items'] as GuideItem[]).map((item) =>
      item.kind === 'step' ? { ...item, pictures: item.pictures.map((picture) => ({ ...picture, ...framesFor(item, picture.id) })) } : item,
    ),
  }),
  // Version 4 says how a guide is tested; exercises and branches are new and stand in no older one.
  3: (stored) => ({ ...stored, version: 4, solo: PLAIN_SOLO }),
}

function framesFor(step: Step, pictureId: string): { annotations?: Annotation[] } {
  const annotations = (['element', 'onto'] as const)
    .filter((to) => step.action?.[to]?.pictureId === pictureId)
    .map((to): Annotation => ({ id: `frame-${to}`, kind: 'frame', area: { to, gapPx: FRAME_GAP_PX } }))
  return annotations.length > 0 ? { annotations } : {}
}

/** Version in which documents are written today. */
export const NEWEST_VERSION = 4

/** Reads a stored document of any version. Stored bytes stay as they are; only what is read is brought up to date.
 * @throws RangeError when the version is unknown or the value is no document */
export function readDocument(stored: unknown, migrations = MIGRATIONS): GuideDocument {
  let value = stored as Record<string, unknown>
  for (let version = Number(value?.['version']); version < NEWEST_VERSION; version++) {
    const migrate = migrations[version]
    if (!migrate) throw new RangeError(`no way to read document version ${version}`)
    value = migrate(value)
  }
  if (value?.['version'] !== NEWEST_VERSION) throw new RangeError(`unknown document version ${String(value?.['version'])}`)
  return value as GuideDocument
}
