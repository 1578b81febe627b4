import '#contracts/said'
import { createBirpc } from 'birpc'
import { reckoner, type Reckoner } from './reckoner.ts'

createBirpc<object, Reckoner>(reckoner, {
  post: (data) => postMessage(data),
  on: (hear) => addEventListener('message', (e) => hear(e.data)),
  timeout: 2 ** 31 - 1,
})
