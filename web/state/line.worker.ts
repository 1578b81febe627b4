import '#contracts/said'
import { createBirpc, type BirpcReturn } from 'birpc'
import { dayDrawer, type DayDrawer, type DayHearer } from './dayDrawer.ts'

const page: BirpcReturn<DayHearer, DayDrawer> = createBirpc<DayHearer, DayDrawer>(
  dayDrawer({ progress: (done, of) => void page.progress(done, of) }),
  {
    post: (data) => postMessage(data),
    on: (hear) => addEventListener('message', (e) => hear(e.data)),
    timeout: 2 ** 31 - 1,
  },
)
