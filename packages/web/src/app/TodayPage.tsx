import { TodayList } from '../assignments/TodayList'
import { FirstStepsBar } from '../beginning/FirstStepsBar'
import { useMe } from '../people'
import { MyCheckIns, MyPlans } from '../plans'
import { WaitingHere } from '../records'
import { RemarksForMe } from '../remarks'
import { MySurveys } from '../surveys/MySurveys'
import { useTexts } from '../ui/words/texts'

/** A person's own first page: what is due, and what waits for them because of what they answer for. */
export function TodayPage() {
  const { t } = useTexts()
  const me = useMe()
  return (
    <div className="w-full max-w-4xl mx-auto px-4 md:px-6 py-6">
      <title>{t('Today – Jackdaw')}</title>
      <TodayList
        before={
          <>
            <FirstStepsBar />
            <MyCheckIns />
            <MyPlans />
            <MySurveys />
            <WaitingHere />
            {me.permissions.includes('guides.write') && <RemarksForMe />}
          </>
        }
      />
    </div>
  )
}
