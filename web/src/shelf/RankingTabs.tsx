import { Tabs } from '../ui/Tabs.tsx'

/** Own choices, and those of others. */
export const RankingTabs = ({ roster }: { roster: string }) => (
  <Tabs
    label="Whose choices"
    views={[
      ['My own choices', `/rosters/${roster}/ranking`],
      ['Asking others', `/rosters/${roster}/ranking/ballots`],
    ]}
  />
)
