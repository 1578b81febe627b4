import { raw, Router } from 'express'
import { issueOf } from '#core/measure'
import { ATTACHMENT_TYPES } from '#core/records'
import { hashOfBytes } from './database/shelf.ts'
import { notFound, refused } from './problem.ts'
import { hashOf, type Served } from './served.ts'

/** A picture or a page of a slip. */
const MOST_ATTACHED = '16mb'

/** Pictures and slips, by what they hold. */
export function attachmentRoutes({ shelf }: Served): Router {
  const api = Router()
  api.put('/attachments/:hash', raw({ type: () => true, limit: MOST_ATTACHED }), (req, res) => {
    const hash = hashOf(req.params.hash, 'attachment')
    const bytes: unknown = req.body
    if (!Buffer.isBuffer(bytes) || bytes.length === 0 || hashOfBytes(bytes) !== hash)
      throw refused([issueOf('attachment-gone', 'hash', { name: hash.slice(0, 8) })])
    shelf.keep(hash, bytes)
    res.status(204).end()
  })
  api.get('/attachments/:hash', (req, res) => {
    const hash = hashOf(req.params.hash, 'attachment')
    if (!shelf.has(hash)) throw notFound('attachment')
    const type = ATTACHMENT_TYPES.find((t) => t === req.query.type) ?? 'application/octet-stream'
    res
      .set('content-security-policy', "default-src 'none'; style-src 'unsafe-inline'; sandbox")
      .type(type)
      .send(shelf.read(hash))
  })
  return api
}
