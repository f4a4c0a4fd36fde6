import type { Change, GuideSystem } from '@jackdaw/core/guides'
import { useState } from 'react'
import { useTexts } from '../ui/words/texts'
import { TextArea, TextField } from '../ui'

const MOST = { addresses: 10, versions: 20 }
const ADDRESS = /^https?:\/\/\S+$/
const parts = (text: string, by: string | RegExp): string[] => [
  ...new Set(
    text
      .split(by)
      .map((part) => part.trim())
      .filter(Boolean),
  ),
]

/** The system that the guide is about, and the versions for which it holds. What is typed is taken when its field is left; what would not be
 * accepted stays in the field and says why. */
export function SystemFields({ system, onChange }: { system: GuideSystem; onChange: (change: Change) => void }) {
  const { t } = useTexts()
  const put = (next: Partial<GuideSystem>) => onChange({ type: 'set-facts', facts: { system: { ...system, ...next } } })
  return (
    <details className="border-t border-hair pt-3">
      <summary className="font-semibold text-sm min-h-8">
        {system.name === '' ? t('For no particular system') : t('For {{system}}', { system: [system.name, ...system.versions].join(' ') })}
      </summary>
      <div className="space-y-3 mt-2">
        <Left
          label={t('System')}
          hint={t('The application or machine that this guide is about, by the name that people use.')}
          text={system.name}
          maxLength={120}
          onLeave={(text) => {
            put({ name: text.trim() })
            return ''
          }}
        />
        <Left
          label={t('Versions')}
          hint={t('For which it holds, with commas between; empty for all of them.')}
          text={system.versions.join(', ')}
          maxLength={2_000}
          onLeave={(text) => {
            const versions = parts(text, ',')
            if (versions.length > MOST.versions) return t('{{most}} versions at most', { most: MOST.versions })
            if (versions.some((version) => version.length > 120)) return t('A version may have 120 characters.')
            put({ versions })
            return ''
          }}
        />
        <Left
          label={t('Addresses')}
          hint={t('Where it is opened, one on a line.')}
          text={system.addresses.join('\n')}
          lines
          maxLength={10_000}
          onLeave={(text) => {
            const addresses = parts(text, /\s+/)
            const wrong = addresses.find((address) => !ADDRESS.test(address) || address.length > 2_000)
            if (wrong !== undefined)
              return t('“{{wrong}}” is no address: it begins with http:// or https://', { wrong: wrong.slice(0, 80) })
            if (addresses.length > MOST.addresses) return t('{{most}} addresses at most', { most: MOST.addresses })
            put({ addresses })
            return ''
          }}
        />
      </div>
    </details>
  )
}

/** A field whose text is taken when it is left. @param onLeave says what is wrong with it; empty when it was taken */
function Left({
  text,
  lines = false,
  onLeave,
  ...field
}: {
  label: string
  hint: string
  text: string
  lines?: boolean
  maxLength: number
  onLeave: (text: string) => string
}) {
  const [typed, setTyped] = useState<string | null>(null)
  const [wrong, setWrong] = useState('')
  const common = {
    ...field,
    value: typed ?? text,
    error: wrong,
    onChange: (event: { target: { value: string } }) => setTyped(event.target.value),
    onBlur: () => {
      if (typed === null) return
      const why = typed === text ? '' : onLeave(typed)
      setWrong(why)
      if (why === '') setTyped(null)
    },
  }
  return lines ? <TextArea rows={3} {...common} /> : <TextField {...common} />
}
