/** A window with the bench in it, as whoever sits before it types and reads. */
import { Key, type WebDriver } from 'selenium-webdriver';
import { eventually, find, textOf } from './browser.js';

export interface BenchWindow {
  /** Types a size into the field of this name. */
  type(label: string, size: number): Promise<void>;
  /** Waits until the field of this name reads so. */
  reads(label: string, size: number): Promise<void>;
  /** What the save is doing, in a word. */
  word(): Promise<string>;
  /** Waits until all is saved. */
  isSaved(): Promise<void>;
}

export function benchWindow(driver: WebDriver): BenchWindow {
  const field = async (label: string) => {
    const id = await driver.executeScript(
      'return [...document.querySelectorAll("label")].find((each) => each.textContent === arguments[0])?.htmlFor ?? ""',
      label,
    );
    return find(driver, `input[id="${id}"]`);
  };
  const word = () => textOf(driver, '[data-save]');
  return {
    word,
    async type(label, size) {
      await (await field(label)).sendKeys(Key.chord(Key.CONTROL, 'a'), String(size), Key.ENTER);
    },
    async reads(label, size) {
      await eventually(
        async () => (await field(label)).getAttribute('value'),
        (value) => value === String(size),
        `${label} on the bench is not ${size}`,
      );
    },
    async isSaved() {
      await eventually(word, (text) => text === 'Saved', 'it does not say that it is saved');
    },
  };
}
