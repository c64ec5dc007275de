import type { Locator, Page } from '@playwright/test'
import { choose, expect, type } from './support.ts'

/** A person's hands: each press, each field filled in and each Enter is one action. */
export class Hands {
  actions = 0
  constructor(readonly page: Page) {}
  async press(what: Locator): Promise<void> {
    this.actions += 1
    await what.click()
  }
  async enter(label: string, text: string): Promise<void> {
    this.actions += 2
    await type(this.page, label, text)
  }
  /** One field without the key that takes it. */
  async fill(what: Locator, text: string): Promise<void> {
    this.actions += 1
    await what.fill(text)
  }
  async key(name: string, times = 1): Promise<void> {
    for (let i = 0; i < times; i += 1) {
      this.actions += 1
      await this.page.keyboard.press(name)
    }
  }
  /** From an empty profile to the demo. */
  async openDemo(): Promise<void> {
    await this.page.goto('/')
    await this.press(this.page.getByRole('button', { name: 'Open the demo' }))
    await expect(this.page.getByTestId('key-figure-cost')).toBeVisible()
    // the tour that a new profile is shown first
    await expect(this.page.locator('.el-tour__content')).toBeVisible()
    await this.key('Escape')
    await expect(this.page.locator('.el-tour__content')).toBeHidden()
  }
  async step(name: string): Promise<void> {
    await this.press(this.page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: new RegExp(name) }))
  }
  async view(name: string): Promise<void> {
    await this.press(this.page.getByRole('link', { name, exact: true }))
  }
  async setup(name: RegExp): Promise<void> {
    await this.press(this.page.getByRole('tab', { name }))
  }
  /** Opens a list and takes an entry. */
  async choose(what: Locator, option: string): Promise<void> {
    this.actions += 2
    await choose(what, option)
  }
  async ask(question: string): Promise<void> {
    await this.page.goto('/')
    await this.press(this.page.getByTestId(`ask-${question}`))
    await expect(this.page.getByTestId('answer')).toBeVisible()
  }
  get answer(): Locator {
    return this.page.getByTestId('answer')
  }
}
export const typicalCar = (page: Page, name: RegExp) => page.locator('.typical-car').getByRole('button', { name })
