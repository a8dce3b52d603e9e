import { regionOf } from './region'

/** Currency of a region by its ISO 3166 letters [standard: Unicode CLDR, supplemental currency data, from memory]. */
const CURRENCIES: ReadonlyMap<string, string> = new Map(
  Object.entries({
    ...{ GB: 'GBP', US: 'USD', CA: 'CAD', AU: 'AUD', NZ: 'NZD', IN: 'INR', ZA: 'ZAR', JP: 'JPY', MX: 'MXN' },
    ...{ CH: 'CHF', LI: 'CHF', DK: 'DKK', SE: 'SEK', NO: 'NOK', PL: 'PLN', CZ: 'CZK', HU: 'HUF', RO: 'RON' },
    ...{ BR: 'BRL', AR: 'ARS', CL: 'CLP', KE: 'KES', NG: 'NGN', IL: 'ILS', TR: 'TRY', KR: 'KRW', SG: 'SGD' },
    ...Object.fromEntries(
      'AT BE CY DE EE ES FI FR GR HR IE IT LT LU LV MT NL PT SI SK'
        .split(' ')
        .map((region) => [region, 'EUR']),
    ),
  }),
)

/** Currencies that can be chosen, by their ISO 4217 letters. */
export const CURRENCY_CODES = [...new Set(CURRENCIES.values())].sort()

/** Whether these are the letters of a currency. */
export const isCurrency = (code: string) => /^[A-Z]{3}$/.test(code)

/** The currency most likely meant by somebody who reads in this language region; null where it says no region that is known. */
export const currencyOf = (locale: string): string | null => CURRENCIES.get(regionOf(locale) ?? '') ?? null

/**
 * A sum as it is written in a language region, with its currency; a plain number where no currency is known.
 *
 * @param amount in whole units of the currency; from 100 on it is told without its hundredths
 */
export function printMoney(amount: number, currency: string | null, locale?: string): string {
  const round = Math.abs(amount) >= 100 ? { maximumFractionDigits: 0 } : {}
  return new Intl.NumberFormat(
    locale,
    currency
      ? { style: 'currency', currency, ...round }
      : { minimumFractionDigits: 2, maximumFractionDigits: 2, ...round },
  ).format(amount)
}
