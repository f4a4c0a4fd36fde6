import { signKind, type SignKind } from '@jackdaw/core/annotations'
import { SIGN_IDS, type SignId } from '@jackdaw/core/guides'
import { useTexts } from '../../ui/words/texts'
import { SignView, signKindName, signName } from '../../annotations'
import { Dialog } from '../../ui/over/Dialog'

const KINDS: readonly SignKind[] = ['mandatory', 'warning', 'prohibition', 'safe-condition', 'fire-equipment']

/** Safety signs to choose from, by what their shape means. */
export function SignPicker({
  chosen,
  most = 12,
  onToggle,
  onClose,
}: {
  chosen: readonly SignId[]
  most?: number
  onToggle: (id: SignId) => void
  onClose: () => void
}) {
  const { t } = useTexts()
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('Safety signs')}
      about={t('Signs after ISO 7010. Press to add one, press again to take it away.')}
    >
      {KINDS.map((kind) => (
        <section key={kind} className="mb-4">
          <h3 className="text-sm border-b border-hair mb-2">{signKindName(kind, t)}</h3>
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(92px,1fr))] gap-1">
            {SIGN_IDS.filter((id) => signKind(id) === kind).map((id) => (
              <li key={id}>
                <button
                  type="button"
                  className="w-full flex flex-col items-center gap-1 p-1.5 text-xs text-center hover:bg-wash aria-pressed:bg-wash aria-pressed:outline-2 aria-pressed:outline-petrol disabled:opacity-40"
                  aria-pressed={chosen.includes(id)}
                  disabled={!chosen.includes(id) && chosen.length >= most}
                  onClick={() => onToggle(id)}
                >
                  <span aria-hidden>
                    <SignView id={id} sizePx={48} />
                  </span>
                  {signName(id, t)}
                </button>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </Dialog>
  )
}

/** The list with a sign added, or without it. */
export const toggled = (signs: readonly SignId[], id: SignId): SignId[] =>
  signs.includes(id) ? signs.filter((each) => each !== id) : [...signs, id]
