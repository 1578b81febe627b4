/**
 * What a passphrase's input is called. The component marks it as something that expands, which no password field may be
 * (WAI-ARIA 1.2); it has no panel here.
 */
export const passphraseInput = (label: string, autocomplete: 'off' | 'new-password') => ({
  'aria-label': label,
  autocomplete,
  'aria-expanded': undefined,
  'aria-haspopup': undefined,
  'aria-controls': undefined,
})
