import { issues } from '#core/measure'

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  'bundle-gone': () =>
    'This bundle is no longer there. Look at the list again; a stick may have been pulled out.',
  'bundle-sealed': () => 'This bundle is sealed. Type the passphrase it was sealed with.',
  'bundle-wrong-passphrase': () =>
    'This passphrase does not open the bundle, or the file was changed since it was sealed. Check capitals and spaces. A lost passphrase cannot be found again.',
})

declare module '../../core/measure/issue.ts' {
  interface IssueRooms {
    'server-keeping': typeof ISSUES
  }
}
