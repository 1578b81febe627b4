import { nextTick, watch } from 'vue'
import { useRoute } from 'vue-router'

const TRIES = 40
const PAUSE = 50
/** What a person pressed to come here, or nothing at all: then the new page's heading is where reading goes on. */
const isLeft = (element: Element | null) =>
  !element || element === document.body || element.tagName === 'A' || !element.isConnected

/** After going to another page the focus goes to its heading, so that a reader or a keyboard starts at the top of it. */
export function useHeadingFocus() {
  const route = useRoute()
  watch(
    () => route.path,
    async (path) => {
      await nextTick()
      for (let i = 0; i < TRIES && route.path === path; i++) {
        const main = document.querySelector('#main')
        const heading =
          main &&
          (main.querySelector<HTMLElement>('h1, h2') ?? document.querySelector<HTMLElement>('header h1'))
        if (heading) {
          if (!isLeft(document.activeElement)) return
          heading.tabIndex = -1
          return heading.focus({ preventScroll: true })
        }
        await new Promise((resolve) => setTimeout(resolve, PAUSE))
      }
    },
  )
}
