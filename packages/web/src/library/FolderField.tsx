import type { Folder } from '@jackdaw/contracts/library'
import type { UseFormRegisterReturn } from 'react-hook-form'
import { Select } from '../ui'
import { useTexts } from '../ui/words/texts'
import { FolderOptions } from './FolderOptions'

/** How a form takes a folder: none of them is `null`. */
export const FOLDER_VALUE = { setValueAs: (value: string | null) => value || null }

/** A folder to be chosen, or none, in a form. @param none what it is called when it is none
 * @param field registered with {@link FOLDER_VALUE} */
export function FolderField({
  label,
  none,
  folders,
  fits,
  field,
}: {
  label: string
  none?: string
  folders: Folder[]
  fits?: (folder: Folder) => boolean
  field: UseFormRegisterReturn
}) {
  const { t } = useTexts()
  return (
    <Select label={label} {...field}>
      <option value="">{none ?? t('No folder')}</option>
      <FolderOptions folders={folders} {...(fits ? { fits } : {})} />
    </Select>
  )
}
