import type { Db } from '../db'
import { readSetting, writeSetting } from './settings'

/** What the company is: `name`; `lineOfWork` and `size` as it said when it began; `begun`: whether all is there that it was led to. */
export type CompanyFacts = { name: string; lineOfWork: string | null; size: string; begun: boolean }

const KEY = 'company'
/** What a company said when it was set up; `undefined` of one that never was, as that of the demo. */
export const companyFacts = (db: Db): Promise<CompanyFacts | undefined> => readSetting<CompanyFacts>(db, KEY)
export const saveCompanyFacts = (db: Db, facts: CompanyFacts): Promise<void> => writeSetting(db, KEY, facts)

/** What the company is called. @param otherwise where it was never set up */
export const companyName = async (db: Db, otherwise: string): Promise<string> => (await companyFacts(db))?.name ?? otherwise
