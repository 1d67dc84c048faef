import type { Locale } from 'date-fns';
import { de, enAU, enCA, enGB, enIE, enUS, fr } from 'date-fns/locale';

/** The ways of writing days and figures that a studio may choose, with the calendar that goes with each. */
export const LOCALES: readonly { readonly code: string; readonly country: string; readonly calendar: Locale }[] = [
  { code: 'en-GB', country: 'Britain', calendar: enGB },
  { code: 'en-US', country: 'the United States', calendar: enUS },
  { code: 'en-CA', country: 'Canada', calendar: enCA },
  { code: 'en-AU', country: 'Australia', calendar: enAU },
  { code: 'en-IE', country: 'Ireland', calendar: enIE },
  { code: 'de-DE', country: 'Germany', calendar: de },
  { code: 'fr-FR', country: 'France', calendar: fr },
];

/** How a calendar says its months, and on which day its weeks begin. */
export const calendarOf = (code: string): Locale => LOCALES.find((l) => l.code === code)?.calendar ?? enGB;
