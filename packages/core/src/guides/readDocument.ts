import { GuideDocument } from './document'

/** Steps from an older version of the stored document to the next one, by the version they start from. */
export const MIGRATIONS: Readonly<Record<number, (stored: Record<string, unknown>) => Record<string, unknown>>> = {}

/** Version in which documents are written today. */
export const NEWEST_VERSION = 1

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
