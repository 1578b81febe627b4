import type { z } from 'zod'
import { askedPaperSchema } from '#core/papers'
import { newLotSchema, newPackSchema, newWeighingSchema } from '#core/records'
import { rehearsalSchema, sealSchema, secondPlaceSchema } from './copies.ts'
import { codeAskedSchema, deviceChangeSchema, pairingSchema } from './devices.ts'
import { farmChangeSchema } from './farm.ts'
import {
  loadSchema,
  printerChoiceSchema,
  printSchema,
  probeChoiceSchema,
  scaleChoiceSchema,
} from './instruments.ts'
import { appendSchema, factsSchema, joinSchema, splitSchema } from './lots.ts'
import { packEventsSchema } from './packs.ts'
import { ownChangeSchema, planChangeSchema, sheetChangeSchema } from './plans.ts'
import { writesSchema } from './writes.ts'

/** Every address of the API, below /api, with the form of what it is sent: what a test that tries them all goes by. */
export const ROUTES: { method: 'get' | 'post' | 'put' | 'delete'; path: string; body?: z.ZodType }[] = [
  { method: 'get', path: '/home' },
  { method: 'get', path: '/events' },
  { method: 'get', path: '/standing' },
  { method: 'put', path: '/farm', body: farmChangeSchema },
  { method: 'get', path: '/lots' },
  { method: 'post', path: '/lots', body: newLotSchema },
  { method: 'get', path: '/devices' },
  { method: 'post', path: '/devices/code', body: codeAskedSchema },
  { method: 'post', path: '/devices/pair', body: pairingSchema },
  { method: 'put', path: '/devices/:id', body: deviceChangeSchema },
  { method: 'delete', path: '/devices/:id' },
  { method: 'delete', path: '/copies/asides/:name' },
  { method: 'get', path: '/lots/:id' },
  { method: 'get', path: '/lots/:id/card' },
  { method: 'post', path: '/lots/:id/weighings', body: newWeighingSchema },
  { method: 'post', path: '/lots/:id/packs', body: newPackSchema },
  { method: 'post', path: '/lots/:id/decisions', body: appendSchema },
  { method: 'post', path: '/lots/:id/facts', body: factsSchema },
  { method: 'post', path: '/lots/:id/groups', body: splitSchema },
  { method: 'post', path: '/lots/:id/groups/joined', body: joinSchema },
  { method: 'post', path: '/writes', body: writesSchema },
  { method: 'get', path: '/packs' },
  { method: 'get', path: '/packs/used' },
  { method: 'get', path: '/packs/:number' },
  { method: 'post', path: '/packs/events', body: packEventsSchema },
  { method: 'get', path: '/instruments' },
  { method: 'put', path: '/instruments/scale', body: scaleChoiceSchema },
  { method: 'get', path: '/instruments/scale/readings' },
  { method: 'post', path: '/instruments/scale/tare' },
  { method: 'post', path: '/instruments/scale/zero' },
  { method: 'post', path: '/instruments/scale/load', body: loadSchema },
  { method: 'put', path: '/instruments/printer', body: printerChoiceSchema },
  { method: 'post', path: '/instruments/printer/print', body: printSchema },
  { method: 'get', path: '/instruments/printer/last' },
  { method: 'put', path: '/instruments/probe', body: probeChoiceSchema },
  { method: 'get', path: '/instruments/probe/reading' },
  { method: 'get', path: '/anatomies/:hash' },
  { method: 'put', path: '/attachments/:hash' },
  { method: 'get', path: '/attachments/:hash' },
  { method: 'put', path: '/plans/:id', body: planChangeSchema },
  { method: 'get', path: '/sheets' },
  { method: 'get', path: '/sheets/shared' },
  { method: 'get', path: '/bench' },
  { method: 'put', path: '/sheets/:id', body: sheetChangeSchema },
  { method: 'get', path: '/own/:species' },
  { method: 'post', path: '/own', body: ownChangeSchema },
  { method: 'post', path: '/lots/:id/papers', body: askedPaperSchema },
  { method: 'get', path: '/papers/:name' },
  { method: 'get', path: '/bundle' },
  { method: 'post', path: '/bundle/sealed', body: sealSchema },
  { method: 'get', path: '/bundles/:name' },
  { method: 'get', path: '/copies' },
  { method: 'post', path: '/copies' },
  { method: 'put', path: '/copies/second', body: secondPlaceSchema },
  { method: 'post', path: '/rehearsals', body: rehearsalSchema },
  { method: 'post', path: '/rehearsals/sent' },
  { method: 'post', path: '/rehearsals/:id/restore' },
  { method: 'delete', path: '/rehearsals/:id' },
]
