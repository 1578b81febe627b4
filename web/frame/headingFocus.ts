import { onScopeDispose } from 'vue'
import { useRouter } from 'vue-router'

const TRIES = 40
const PAUSE = 50
/** What a person pressed to come here, or nothing at all: then the new page's heading is where reading goes on. */
const isLeft = (element: Element | null) =>
  !element || element === document.body || element.tagName === 'A' || !element.isConnected

function headingNow(): HTMLElement | null {
  const main = document.querySelector('#main')
  return (
    main && (main.querySelector<HTMLElement>('h1, h2') ?? document.querySelector<HTMLElement>('header h1'))
  )
}

/** After going to another page the focus goes to its heading, so that a reader or a keyboard starts at the top of it. */
export function useHeadingFocus() {
  const router = useRouter()
  onScopeDispose(
    router.afterEach(async (to, from) => {
      // The page that was opened first is begun at its top.
      if (from.matched.length === 0 || to.path === from.path) return
      for (let i = 0; i < TRIES && router.currentRoute.value.path === to.path; i++) {
        await new Promise((resolve) => setTimeout(resolve, PAUSE))
        const heading = headingNow()
        if (!heading) continue
        if (!isLeft(document.activeElement)) return
        heading.tabIndex = -1
        return heading.focus({ preventScroll: true })
      }
    }),
  )
}
