import '@fontsource/bitter/500.css'
import '@fontsource/bitter/700.css'
import '@fontsource/fira-sans-condensed/400.css'
import '@fontsource/fira-sans-condensed/600.css'
import 'primeicons/primeicons.css'
import './theme/base.css'
import { createPinia } from 'pinia'
import PrimeVue from 'primevue/config'
import ToastService from 'primevue/toastservice'
import Tooltip from 'primevue/tooltip'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router.ts'
import { askAgainForStyles } from './state/styles.ts'
import { ekkoPreset } from './theme/preset.ts'

askAgainForStyles()
createApp(App)
  .use(createPinia())
  .use(router)
  .use(PrimeVue, { theme: { preset: ekkoPreset, options: { darkModeSelector: '.never-dark' } } })
  .use(ToastService)
  .directive('tooltip', Tooltip)
  .mount('#app')
