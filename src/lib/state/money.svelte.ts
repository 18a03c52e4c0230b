/** The shop's currency and tax. Prices are kept before tax. */
import { withTaxCents } from '$core/money';
import { shelved, toShelf } from './shelf';

const KEY = 'money';

class Money {
  /** As ISO 4217 writes it. */
  currency = $state('EUR');
  /** Hundredths of a percent. */
  taxPoints = $state(2_000);

  async read(): Promise<void> {
    const kept = await shelved(KEY).catch(() => null);
    if (kept === null) return;
    this.currency = kept.currency;
    this.taxPoints = kept.taxPoints;
  }

  /** @returns whether it is kept beyond this window */
  async set(currency: string, taxPoints: number): Promise<boolean> {
    this.currency = currency;
    this.taxPoints = taxPoints;
    return toShelf(KEY, { currency, taxPoints }).then(
      () => true,
      () => false,
    );
  }

  withTax = (cents: number): number => withTaxCents(cents, this.taxPoints);
}

export const isCurrency = (text: string): boolean => /^[A-Z]{3}$/.test(text);
export const isTax = (points: number): boolean =>
  Number.isInteger(points) && points >= 0 && points <= 10_000;

export const money = new Money();
