import { serveThread } from '../threads.ts'
import { paperMaker } from './maker.ts'

serveThread({ ...paperMaker })
