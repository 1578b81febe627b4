import '@fontsource/bitter/500.css'
import '@fontsource/bitter/700.css'
import '@fontsource/fira-sans-condensed/400.css'
import '@fontsource/fira-sans-condensed/600.css'
import 'primeicons/primeicons.css'
import './theme/base.css'
import { createApp } from 'vue'
import App from './App.vue'
import { ekko } from './ekko.ts'
import { askAgainForStyles } from './state/styles.ts'
import { ekkoPreset } from './theme/preset.ts'

askAgainForStyles()
createApp(App)
  .use(ekko, { preset: ekkoPreset, options: { darkModeSelector: '.never-dark' } })
  .mount('#app')
