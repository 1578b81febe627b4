import { describe, expect, it } from 'vitest'
import { fallowmere, figure } from '#kit'

const page = fallowmere({ empty: true })

describe('weights', () => {
  it('a first hog is hung; what cannot be read stays as it was typed', async () => {
    await page.open('rail')
    await page.getByText('An empty hook').waitFor()
    await page.getByRole('button', { name: 'Open the farm' }).click()
    await page.getByText('The farm has no name yet').waitFor()
    await page.getByLabel('Farm’s name').fill('Fallowmere')
    await page.press('Enter')
    await page.getByText('Fallowmere, lb, USD').waitFor()
    await page.getByLabel('Name or lot number').fill('Thistle')
    await page.getByLabel('Live weight').fill('1,150 lb')
    await page.press('Enter')
    await page.getByText('Type it without the comma').waitFor()
    expect(await page.locator('#lot-live').inputValue()).toBe('1,150 lb')
    await page.getByLabel('Live weight').fill('118 kg')
    await page.press('Enter')
    await page.getByRole('heading', { name: 'Thistle' }).waitFor()
    expect(await page.stage('live').getAttribute('title')).toBe('Live: 260.1 lb, weighed')
    await page.getByText('no costs yet').waitFor()
  })

  it('types what is known in any order; figures move forward and back; bad figures keep what was typed', async () => {
    await page.open('hang', 'Thistle')
    const hot = page.locator('[data-entry=hot]')
    await hot.getByRole('textbox', { name: 'Hot carcass weight' }).fill('275 lb')
    await hot.getByRole('button', { name: 'Keep weight' }).click()
    await hot.getByText('is above live weight').waitFor()
    expect(await hot.getByRole('textbox').inputValue()).toBe('275 lb')
    await hot.getByRole('textbox').fill('heavy')
    await hot.getByRole('button', { name: 'Keep weight' }).click()
    await hot.getByText('is not a weight Ekko can read').waitFor()
    await hot.getByRole('textbox').fill('160 lb')
    await hot.getByRole('button', { name: 'Keep weight' }).click()
    await hot.getByText(/dresses at 63\.\d %/).waitFor()
    await hot.getByRole('button', { name: 'Keep it all the same' }).click()
    await hot.getByText('160 lb').waitFor()
    await page.getByText('The weighings disagree').waitFor()

    await hot.getByRole('button', { name: 'Correct' }).click()
    await hot.getByRole('textbox').fill('12lb 6oz')
    await hot.getByRole('button', { name: 'Put right' }).click()
    await hot.getByText('is outside').waitFor()
    await hot.getByRole('textbox').fill('82.6 kg')
    await hot.getByRole('button', { name: 'Put right' }).click()
    await hot.getByText('82.6 kg', { exact: true }).waitFor()
    expect(await page.getByText('The weighings disagree').count()).toBe(0)
    await page.getByText('Every weighing on record').click()
    expect(await page.getByText('corrected').count()).toBe(1)
    expect(await page.stage('hot').innerText()).toContain('182.1 lb')

    const live = page.locator('[data-entry=live]')
    await live.getByRole('button', { name: 'Withdraw' }).click()
    await live.getByRole('button', { name: 'Write it down: live weight' }).click()
    await expect.poll(() => page.stage('live').getAttribute('title')).toMatch(/estimate, likely/)
    expect(
      figure(
        await page.stage('live')
          .innerText()
          .then((t) => t.split('\n')[1]!),
      ),
    ).toBeGreaterThan(182)
    await live.getByRole('combobox').click()
    await page.getByRole('option', { name: 'tape' }).click()
    await live.getByLabel('Heart girth').fill('46')
    await live.getByLabel('Body length').fill('49')
    expect(await live.getByLabel('Live weight', { exact: true }).inputValue()).toBe('259 lb')
    await live.getByRole('button', { name: 'Keep weight' }).click()
    await live.getByText('259 lb').waitFor()
    expect(await page.stage('live').getAttribute('title')).toMatch(/estimate/)
  })

  it('hanging weight is always entered with its basis', async () => {
    const hanging = page.locator('[data-entry=hanging]')
    await hanging.getByLabel('Hanging weight', { exact: true }).fill('178.4')
    await hanging.getByLabel('Basis of the hanging weight').click()
    await page.getByRole('option', { name: 'cold, after chilling' }).click()
    await hanging.getByRole('button', { name: 'Keep weight' }).click()
    await hanging.getByText('cold, after chilling').waitFor()
    expect(
      figure((await page.stage('hanging').innerText()).split('\n').find((l) => l.includes('lb'))!),
    ).toBeCloseTo(178.4 * 0.995, 0)
  })
})
