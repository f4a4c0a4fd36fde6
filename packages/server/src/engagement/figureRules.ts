import { FigureRules } from '@jackdaw/contracts/ownUse'
import { LEAST_GROUP } from '@jackdaw/core/engagement'
import type { Db } from '../db'
import { readSetting, writeSetting } from '../settings'

const KEY = 'figures'
const USUAL: FigureRules = { leastGroup: LEAST_GROUP, keepMonths: null }

/** How figures are shown to those who may not see whom they count, and how long it is kept who used what when. */
export const figureRules = async (db: Db): Promise<FigureRules> => ({ ...USUAL, ...(await readSetting<Partial<FigureRules>>(db, KEY)) })
/** Says so anew. */
export const saveFigureRules = (db: Db, rules: FigureRules): Promise<void> => writeSetting(db, KEY, rules)
