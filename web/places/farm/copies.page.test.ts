import { describe, expect, it } from 'vitest'
import { fallowmere } from '#kit'

const page = fallowmere()
const refused = (detail: string) =>
  new Response(
    JSON.stringify({
      type: '/problems/refused',
      title: 'No.',
      status: 422,
      errors: [{ field: 'passphrase', detail }],
    }),
    {
      status: 422,
      headers: { 'content-type': 'application/problem+json' },
    },
  )

describe('copies of the records', () => {
  it('a folder that cannot be the second place is refused at its field, and stays as it was typed', async () => {
    await page.open('farm')
    await page.getByLabel('Folder of the second place').fill('not/a/whole/path')
    await page.getByRole('button', { name: 'Use this folder' }).click()
    await page.locator('.field-issue').first().waitFor()
    expect(await page.getByLabel('Folder of the second place').inputValue()).toBe('not/a/whole/path')
  })
  it('what is wrong with a passphrase or a bundle is said where it was typed', async () => {
    await page
      .getByLabel('Bundle file')
      .setInputFiles({ name: 'farm.age', mimeType: '', buffer: Buffer.from('age') })
    await page.getByLabel('Passphrase of the bundle').fill('six hens')
    page.answer((_, path) =>
      path.startsWith('/api/rehearsals') ? refused('This passphrase does not open the bundle.') : undefined,
    )
    await page.getByRole('button', { name: 'Rehearse bringing it back' }).click()
    await page.getByText('This passphrase does not open the bundle').waitFor()
    expect(await page.getByLabel('Passphrase of the bundle').inputValue()).toBe('six hens')
    page.answer()
  })
  it('a sealed bundle is handed over as a file of its own ending, as the server sealed it', async () => {
    // Sealing takes seconds on purpose: server/keeping does it.
    page.answer((_, path) =>
      path === '/api/bundle/sealed'
        ? new Response('age-encryption.org/v1 sealed', {
            headers: { 'content-type': 'application/octet-stream' },
          })
        : undefined,
    )
    await page.getByLabel('Passphrase to seal the bundle with').fill('six hens of Fallowmere')
    await page.getByRole('button', { name: 'Take it sealed' }).click()
    const { name, text } = await page.file()
    expect(name).toMatch(/\.age$/)
    expect(text).toBe('age-encryption.org/v1 sealed')
    page.answer()
  })
})
