import { createPinia } from 'pinia'
import PrimeVue from 'primevue/config'
import ToastService from 'primevue/toastservice'
import Tooltip from 'primevue/tooltip'
import type { App } from 'vue'
import { router } from './router.ts'

/** What every page stands on: what is held of the farm, its rooms, and the pieces they are made of, in a theme. */
export const ekko = {
  install(app: App, theme: object | 'none'): void {
    app
      .use(createPinia())
      .use(router)
      .use(PrimeVue, { theme })
      .use(ToastService)
      .directive('tooltip', Tooltip)
  },
}
