import { basket } from './aside/basket'
import { boxes } from './aside/boxes'
import { files } from './aside/files'
import { matrix } from './aside/matrix'
import { patients } from './aside/patients'
import { post } from './aside/post'
import { scales } from './aside/scales'
import { twice } from './aside/twice'
import { week } from './aside/week'
import type { FoundPage } from './page'
import { cardBoard } from './pages/cardBoard'
import { choices } from './pages/choices'
import { hits } from './pages/hits'
import { iconBar } from './pages/iconBar'
import { innerFrame } from './pages/innerFrame'
import { invoices } from './pages/invoices'
import { messages } from './pages/messages'
import { monthGrid } from './pages/monthGrid'
import { offers } from './pages/offers'
import { openDialog } from './pages/openDialog'
import { settingsTabs } from './pages/settingsTabs'
import { shadowParts } from './pages/shadowParts'
import { sideMenu } from './pages/sideMenu'
import { staffForm } from './pages/staffForm'
import { tree } from './pages/tree'
import { wizard } from './pages/wizard'

/** Pages by which elements are found again while that is made better. */
export const OPEN_PAGES: readonly FoundPage[] = [
  ...[staffForm, invoices, settingsTabs, iconBar, sideMenu, cardBoard, wizard, openDialog],
  ...[monthGrid, shadowParts, innerFrame, hits, tree, choices, messages, offers],
]
/** Pages that are set aside: looked at once it is made, and not made better by. */
export const ASIDE_PAGES: readonly FoundPage[] = [basket, post, week, boxes, twice, matrix, files, scales, patients]
