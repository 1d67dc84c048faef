/** Currencies offered in the settings, by their ISO 4217 code. */
export const CURRENCIES = ['EUR', 'USD', 'GBP', 'CAD', 'AUD', 'NZD', 'CHF', 'SEK', 'NOK', 'DKK'] as const;
export type Currency = (typeof CURRENCIES)[number];

const FORMATS = new Map<string, Intl.NumberFormat>();

/** Integer cents as money in the reader's locale. */
export function showMoney(cents: number, currency: Currency, locale = 'en-GB'): string {
  const key = `${locale}/${currency}`;
  let format = FORMATS.get(key);
  if (!format) FORMATS.set(key, (format = new Intl.NumberFormat(locale, { style: 'currency', currency })));
  return format.format(cents / 100);
}

/**
 * Price of an area in cents, rounded half away from zero.
 * @param centsPerM2 price by the square metre, in cents
 */
export function priceOfArea(areaMm2: number, centsPerM2: number): number {
  return Math.round((areaMm2 * centsPerM2) / 1e6);
}
