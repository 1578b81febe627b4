import { preparedFolder } from './prepared.mjs'

// The empty database and the demo farm that tests copy, made once per build before any part asks for them.
for (const kind of ['empty', 'demo']) await preparedFolder(kind)
