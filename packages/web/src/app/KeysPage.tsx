import { keysOf } from '@jackdaw/core/shared'
import { Fragment } from 'react'
import { TitleLine } from '../ui'
import { KEY_LIST, keysShown, type KeyPlace } from '../ui/keys/keyList'
import { useTexts } from '../ui/words/texts'

/** All keys that do something, by where they do it. */
export function KeysPage() {
  const { t } = useTexts()
  const places: Record<KeyPlace, string> = {
    everywhere: t('Everywhere'),
    reading: t('Reading, Watch and Practise'),
    players: t('Watch, Practise and Solo'),
    writing: t('Writing a guide'),
    annotating: t('Drawing on a picture'),
  }
  return (
    <>
      <title>{t('Keys – Jackdaw')}</title>
      <TitleLine title={t('Keys')} state={t('What keys do. A letter or sign alone is heard while nobody types.')} />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5 grid md:grid-cols-2 xl:grid-cols-3 gap-x-10 gap-y-8 content-start">
        {keysOf(places).map((place) => (
          <section key={place}>
            <h2 className="text-lg border-b-2 border-ink mb-1">{places[place]}</h2>
            <dl>
              {keysOf(KEY_LIST)
                .filter((name) => KEY_LIST[name].place === place)
                .map((name) => (
                  <div key={name} className="flex gap-4 py-2 border-b border-hair">
                    <dt className="grow">{t(KEY_LIST[name].words)}</dt>
                    <dd className="text-right shrink-0">
                      <Ways keys={KEY_LIST[name].keys} />
                    </dd>
                  </div>
                ))}
            </dl>
          </section>
        ))}
      </div>
    </>
  )
}

/** The ways in which something can be pressed; two that look alike are shown once. */
function Ways({ keys }: { keys: readonly string[] }) {
  const { t } = useTexts()
  const ways = [...new Map(keys.map((each) => [keysShown(each).join(' '), keysShown(each)])).values()]
  return ways.map((parts, i) => (
    <Fragment key={parts.join(' ')}>
      {i > 0 && <span className="text-soft text-sm"> {t('or')} </span>}
      {parts.map((part) => (
        <kbd key={part} className="font-mono text-sm border border-edge rounded-sm px-1.5 py-0.5 ml-0.5 bg-page">
          {part}
        </kbd>
      ))}
    </Fragment>
  ))
}
