import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import {
  datesIn,
  durationIn,
  hoursIn,
  isCountry,
  isCurrency,
  isIsoDate,
  isIsoDuration,
  isIsoMoment,
  isIsoTime,
  isLanguage,
  pricesIn,
  telephoneOf,
} from './index.ts';

describe('dates as pages write them', () => {
  it.each([
    ['en', 'Published on 3 February 2026 by Maren', ['2026-02-03']],
    ['en', 'February 3, 2026', ['2026-02-03']],
    ['en', 'Feb 3rd, 2026 at 6:30 pm', ['2026-02-03T18:30']],
    ['en', 'Saturday 14 March 2026, 10:00', ['2026-03-14T10:00']],
    ['en', 'Saturday 14 March 2026, 10:00–16:00', ['2026-03-14T10:00', '2026-03-14T16:00']],
    ['en', '9 January 2027, 10:00 to 10 January 2027, 16:00', ['2027-01-09T10:00', '2027-01-10T16:00']],
    ['en', '03/02/2026', []],
    ['en', '25/12/2025', ['2025-12-25']],
    ['en', 'since 1790 we bind; in May; on 3 February', []],
    ['en', '2026-02-03', ['2026-02-03']],
    ['en', 'from 2026-02-03 to 2026-02-05', ['2026-02-03', '2026-02-05']],
    ['de', 'Veröffentlicht am 3. Februar 2026', ['2026-02-03']],
    ['de', '03.02.2026', ['2026-02-03']],
    ['de', '3. März 2026, 19:30 Uhr', ['2026-03-03T19:30']],
    ['fr', 'le 3 février 2026', ['2026-02-03']],
    ['fr', '1er mars 2026', ['2026-03-01']],
    ['es', '3 de febrero de 2026', ['2026-02-03']],
    ['ja', '2026年2月3日', ['2026-02-03']],
    ['en', '31 February 2026', []],
    ['en', 'Room 2026, call 1999', []],
    ['xx', '3 February 2026', ['2026-02-03']],
  ])('%s: %s', (lang, text, dates) => expect(datesIn(text, lang).map(({ iso }) => iso)).toEqual(dates));
  it('tells where they stand', () => {
    const text = 'It was 3 February 2026, not later';
    const [found] = datesIn(text, 'en');
    expect(text.slice(found?.start, found?.end)).toBe('3 February 2026');
  });
  it('reads back every day that it is told, in five languages', () => {
    const langs = ['en-GB', 'de-DE', 'fr-FR', 'es-ES', 'ja-JP'];
    fc.assert(
      fc.property(fc.date({ min: new Date('1950-01-01'), max: new Date('2090-12-31'), noInvalidDate: true }), fc.constantFrom(...langs), (date, lang) => {
        const day = date.toISOString().slice(0, 10);
        const written = new Intl.DateTimeFormat(lang, { dateStyle: 'long', timeZone: 'UTC' }).format(date);
        expect(datesIn(`x ${written} y`, lang).map(({ iso }) => iso)).toEqual([day]);
      }),
    );
  });
  it('takes time in proportion', SLOW, () =>
    expectInProportion({
      small: 6_250,
      times: 8,
      make: (count) => '3 February 2026 and '.repeat(count),
      work: (long) => expect(datesIn(long, 'en')).toHaveLength(24),
    }),
  );
});

describe('prices as pages write them', () => {
  it.each([
    ['en-GB', '£12.50', ['12.50 GBP']],
    ['en-GB', 'from £1,250 to £2,400.00', ['1250 GBP', '2400.00 GBP']],
    ['en', '$9.99', ['9.99 USD']],
    ['en-CA', '$9.99', ['9.99 CAD']],
    ['de', '12,50 €', ['12.50 EUR']],
    ['de', '€ 1.234,56', ['1234.56 EUR']],
    ['de', 'EUR 1.234', ['1234 EUR']],
    ['de-CH', 'CHF 1’234.50', ['1234.50 CHF']],
    ['de', '45,- €', ['45 EUR']],
    ['fr', '1 234,50 €', ['1234.50 EUR']],
    ['fr', '19,90 euros', ['19.90 EUR']],
    ['es', '1.234,50 €', ['1234.50 EUR']],
    ['ja', '¥1,200', ['1200 JPY']],
    ['ja', '1,200円(税込)', ['1200 JPY']],
    ['sv', '249 kr', ['249 SEK']],
    ['da', '249,95 kr', ['249.95 DKK']],
    ['pl', '129,99 zł', ['129.99 PLN']],
    ['en-IN', '₹1,23,456.00', ['123456.00 INR']],
    ['pt-BR', 'R$ 1.234,56', ['1234.56 BRL']],
    ['zh', '¥88', ['88 CNY']],
    ['en', 'kr 249', ['249 ?']],
    ['en', '€1.234', []],
    ['en', 'page 12, 30 minutes, 2026', []],
    ['en', 'B2B R2D2 S$ sale', []],
  ])('%s: %s', (lang, text, prices) => expect(pricesIn(text, lang).map(({ amount, currency }) => `${amount} ${currency ?? '?'}`)).toEqual(prices));
  it('reads back what a language writes', () => {
    const cases = [
      ['en-GB', 'GBP'],
      ['de-DE', 'EUR'],
      ['fr-FR', 'EUR'],
      ['es-ES', 'EUR'],
      ['de-CH', 'CHF'],
      ['pl-PL', 'PLN'],
      ['sv-SE', 'SEK'],
      ['pt-BR', 'BRL'],
      ['en-IN', 'INR'],
      ['en-US', 'USD'],
    ] as const;
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9_999_999 }), fc.constantFrom(...cases), (cents, [lang, currency]) => {
        const written = new Intl.NumberFormat(lang, { style: 'currency', currency }).format(cents / 100);
        expect(pricesIn(`now ${written}!`, lang).map((one) => `${Number(one.amount)} ${one.currency}`)).toEqual([`${cents / 100} ${currency}`]);
      }),
    );
  });
});

describe('hours', () => {
  it.each([
    ['Mo-Fr 09:00-17:00', ['Monday Tuesday Wednesday Thursday Friday 09:00 17:00']],
    ['Monday to Friday, 9am–5pm; Saturday 10am–2pm', ['Monday Tuesday Wednesday Thursday Friday 09:00 17:00', 'Saturday 10:00 14:00']],
    ['Montag bis Freitag 9 bis 18 Uhr, Sonntag geschlossen', ['Monday Tuesday Wednesday Thursday Friday 09:00 18:00', 'Sunday 00:00 00:00']],
    [
      'lundi au vendredi 9h à 12h30, 14h à 18h',
      ['Monday Tuesday Wednesday Thursday Friday 09:00 12:30', 'Monday Tuesday Wednesday Thursday Friday 14:00 18:00'],
    ],
    ['lunes a viernes 10:00 - 20:00', ['Monday Tuesday Wednesday Thursday Friday 10:00 20:00']],
    ['月〜金 10時〜18時', ['Monday Tuesday Wednesday Thursday Friday 10:00 18:00']],
    ['Tue & Thu 2–5pm', ['Tuesday Thursday 14:00 17:00']],
    ['Fri-Mon 10:00-16:00', ['Monday Friday Saturday Sunday 10:00 16:00']],
    ['Come on Monday', []],
    ['Mon 27:00-99:00', []],
  ])('%s', (text, hours) => expect(hoursIn(text).map(({ days, opens, closes }) => `${days.join(' ')} ${opens} ${closes}`)).toEqual(hours));
});

describe('telephones', () => {
  it.each([
    ['+44 1632 960147', undefined, '+441632960147'],
    ['01632 960147', 'GB', '+441632960147'],
    ['tel:+49-30-901820', undefined, '+4930901820'],
    ['030 901820', 'DE', '+4930901820'],
    ['01 42 68 53 00', 'FR', '+33142685300'],
    ['91 521 28 00', 'ES', '+34915212800'],
    ['03-3201-3331', 'JP', '+81332013331'],
    ['(202) 555-0143', 'US', '+12025550143'],
    ['044 668 18 00', 'CH', '+41446681800'],
    ['+43 1 711620', undefined, '+431711620'],
    ['08 5555 5555', 'SE', '+46855555555'],
    ['22 100 00 00', 'PL', '+48221000000'],
    ['call us', 'GB', undefined],
    ['960147', undefined, undefined],
  ])('%s in %s', (text, country, expected) => expect(telephoneOf(text, country)).toBe(expected));
});

describe('forms that markup asks for', () => {
  it.each([
    [isIsoDate, ['2026', '2026-02', '2026-02-03', '2024-02-29'], ['2026-2-3', '2026-02-30', '2025-02-29', '3 February 2026', '26-02-03', '']],
    [isIsoMoment, ['2026-02-03T10:00', '2026-02-03T10:00:00Z', '2026-02-03T10:00:00.5+01:00'], ['2026-02-03', '2026-02-03T25:00', '2026-02-03T10:61']],
    [isIsoTime, ['09:00', '23:59:59', '09:00+01:00'], ['9:00', '24:00', '9am']],
    [isIsoDuration, ['PT1H30M', 'P1D', 'P2W', 'PT0.5H', 'P1Y2M3DT4H'], ['P', 'PT', '1H', 'PT1H30', '90 min', 'P1D2H']],
    [isCurrency, ['EUR', 'GBP', 'JPY'], ['eur', '€', 'EURO', 'XYZ']],
    [isCountry, ['GB', 'de', 'JP'], ['UK', 'GBR', 'Germany', '']],
    [isLanguage, ['en', 'de-AT', 'zh-Hant'], ['english', 'e', 'de_AT', '']],
  ])('%o', (test, good, bad) => {
    expect(good.filter((one) => !test(one))).toEqual([]);
    expect(bad.filter((one) => test(one))).toEqual([]);
  });
  it.each([
    ['Takes 1 h 30 min', 'PT1H30M'],
    ['90 minutes', 'PT90M'],
    ['2,5 Stunden', 'PT2H30M'],
    ['two days: 2 days', 'P2D'],
    ['3 heures', 'PT3H'],
    ['2 horas y 15 minutos', 'PT2H15M'],
    ['1時間30分', 'PT1H30M'],
    ['6 km', undefined],
  ])('%s', (text, iso) => expect(durationIn(text)?.iso).toBe(iso));
});
