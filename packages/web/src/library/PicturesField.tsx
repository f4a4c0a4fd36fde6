import { useRef, useState, type DragEvent } from 'react'
import { Radios, TextButton } from '../ui'
import { useTexts } from '../ui/words/texts'
import { takenAt } from './takenAt'

type Order = 'name' | 'time'
const byName = (a: File, b: File): number => a.name.localeCompare(b.name, undefined, { numeric: true })

/** Files in an order: by their names, numbers in them counted, or by when they were taken. */
async function ordered(files: readonly File[], order: Order): Promise<File[]> {
  if (order === 'name') return [...files].sort(byName)
  const taken = await Promise.all(files.map(async (file) => ({ file, at: await takenAt(file) })))
  return taken.sort((a, b) => a.at - b.at || byName(a.file, b.file)).map((each) => each.file)
}

/** Many pictures at once, in an order. */
export function PicturesField({ files, onChange }: { files: readonly File[]; onChange: (files: File[]) => void }) {
  const { t } = useTexts()
  const [order, setOrder] = useState<Order>('name')
  const [over, setOver] = useState(false)
  const asked = useRef(0)
  const put = async (all: readonly File[], by: Order) => {
    const n = ++asked.current
    const inOrder = await ordered(all, by)
    // What was asked for since then has its own order.
    if (n === asked.current) onChange(inOrder)
  }
  const take = (more: FileList | null) => void put([...files, ...(more ?? [])], order)
  const drop = (event: DragEvent) => {
    event.preventDefault()
    setOver(false)
    take(event.dataTransfer.files)
  }
  return (
    <div className="space-y-3">
      <label
        className={`block border-2 border-dashed p-6 text-center cursor-pointer focus-within:outline-2 focus-within:outline-petrol ${over ? 'border-petrol bg-wash' : 'border-edge'}`}
        onDragOver={(event) => {
          event.preventDefault()
          setOver(true)
        }}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
      >
        <input
          type="file"
          accept="image/*"
          multiple
          className="sr-only"
          onChange={(event) => {
            take(event.target.files)
            event.target.value = ''
          }}
        />
        {t('Drop the pictures here, or')} <span className="text-petrol underline">{t('choose them')}</span>
      </label>
      {files.length > 0 && (
        <>
          <Radios
            label={t('Order')}
            value={order}
            onChange={(next) => {
              setOrder(next)
              void put(files, next)
            }}
            options={[
              { value: 'name', words: t('By name') },
              { value: 'time', words: t('By the time they were taken') },
            ]}
          />
          <ol className="text-sm max-h-40 overflow-auto list-decimal pl-8">
            {files.map((file, n) => (
              <li key={`${file.name} ${n}`}>
                {file.name}{' '}
                <TextButton
                  aria-label={t('Leave out {{name}}', { name: file.name })}
                  onClick={() =>
                    void put(
                      files.filter((each) => each !== file),
                      order,
                    )
                  }
                >
                  {t('Leave out')}
                </TextButton>
              </li>
            ))}
          </ol>
        </>
      )}
    </div>
  )
}
