import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { datesIn, isSpanSign, spansIn } from './index.ts';

type Row = readonly [lang: string, text: string, said: string];

/** As `from/to`, a `+` behind each of several days that are no span. */
const told = (text: string, lang: string, country?: string): string =>
  spansIn(text, lang, country)
    .map(({ from, to, isOneOfSeveral }) => `${from}${to === undefined ? '' : `/${to}`}${isOneOfSeveral ? '+' : ''}`)
    .join(' ');

const ROWS: readonly Row[] = [
  ['en', 'May 30 to June 2, 2026', '2026-05-30/2026-06-02'],
  ['en', '4–6 May 2026', '2026-05-04/2026-05-06'],
  ['de', '03.05.–05.05.2026', '2026-05-03/2026-05-05'],
  ['de', 'vom 4. bis 6. Mai 2026', '2026-05-04/2026-05-06'],
  ['fr', 'du 4 au 6 mai 2026', '2026-05-04/2026-05-06'],
  ['es', 'del 4 al 6 de mayo de 2026', '2026-05-04/2026-05-06'],
  ['en', 'Saturday 9 May 2026, 12 noon', '2026-05-09T12:00'],
  ['en', 'Sat 9 May 2026, 7.30pm', '2026-05-09T19:30'],
  ['en', '9 May 2026 at 7pm', '2026-05-09T19:00'],
  ['en', 'Saturday 9th of May, 2026 from 7 to 10 pm', '2026-05-09T19:00/2026-05-09T22:00'],
  ['en', '9 May 2026, 10am–4pm', '2026-05-09T10:00/2026-05-09T16:00'],
  ['en', '9 May 2026, 10–4pm', '2026-05-09T10:00/2026-05-09T16:00'],
  ['en', '9 May 2026, 8pm–midnight', '2026-05-09T20:00/2026-05-10T00:00'],
  ['en', '9 May 2026, 10pm–2am', '2026-05-09T22:00/2026-05-10T02:00'],
  ['en', '7pm on Saturday 9 May 2026', '2026-05-09T19:00'],
  ['en', '4 and 5 May 2026', '2026-05-04/2026-05-05'],
  ['en', '4 and 11 May 2026', '2026-05-04+ 2026-05-11+'],
  ['en', '4, 5 and 6 May 2026', '2026-05-05+ 2026-05-06+'],
  ['en', 'Between 4 and 9 May 2026', '2026-05-04/2026-05-09'],
  ['en', '30 December 2026 – 2 January 2027', '2026-12-30/2027-01-02'],
  ['en', '30 December – 2 January 2027', '2026-12-30/2027-01-02'],
  ['en', 'Fri 5 June 2026, 6pm – Sun 7 June 2026, 4pm', '2026-06-05T18:00/2026-06-07T16:00'],
  ['en', '03/04/2026', ''],
  ['en-US', '03/04/2026', '2026-03-04'],
  ['en-GB', '03/04/2026', '2026-04-03'],
  ['en', '25/12/2026', '2026-12-25'],
  ['en', '12/25/2026', '2026-12-25'],
  ['en', '05/05/2026', '2026-05-05'],
  ['en', 'June 5th – 7th, 2026', '2026-06-05/2026-06-07'],
  ['en', 'June 5 and 7, 2026', '2026-06-05+ 2026-06-07+'],
  ['en', 'Sept. 3, 2026', '2026-09-03'],
  ['en', '9 May 2026 19:30 BST', '2026-05-09T19:30'],
  ['en', '9 May 2026, 19:30 UTC', '2026-05-09T19:30Z'],
  ['en', '9 May 2026, 18:00 (CEST)', '2026-05-09T18:00+02:00'],
  ['en', '9 May 2026, doors 7pm', '2026-05-09'],
  ['en', '9 May 2026, 10 places left', '2026-05-09'],
  ['en', '9 May 2026, 2.5 hours', '2026-05-09'],
  ['en', '9 May 2026, 7:30', '2026-05-09'],
  ['en', '9 May 2026, 11:30', '2026-05-09T11:30'],
  ['en', '9 May 2026, 2–5', '2026-05-09'],
  ['en', '9 May 2026, from 10 to 4', '2026-05-09T10:00/2026-05-09T16:00'],
  ['en', '9 May 2026, £10', '2026-05-09'],
  ['en', '31 February 2026', ''],
  ['en', '6–4 May 2026', ''],
  ['en', 'May 2026', ''],
  ['en', 'on 9 May', ''],
  ['en', 'the 4th to the 6th of May 2026', '2026-05-04/2026-05-06'],
  ['en', '2026-05-04 to 2026-05-06', '2026-05-04/2026-05-06'],
  ['en', '2026-05-04 19:30', '2026-05-04T19:30'],
  ['en', '4 May 2026 – 6 May 2026', '2026-05-04/2026-05-06'],
  ['en', 'order no. 12.05.2026.17', ''],
  ['en', 'version 2.1.2026', ''],
  ['de', 'Samstag, 9. Mai 2026, 19.30 Uhr', '2026-05-09T19:30'],
  ['de', '9. Mai 2026 um 20 Uhr', '2026-05-09T20:00'],
  ['de', 'Sa. 09.05.2026, 10–16 Uhr', '2026-05-09T10:00/2026-05-09T16:00'],
  ['de', '9. Mai 2026, 19 bis 22 Uhr', '2026-05-09T19:00/2026-05-09T22:00'],
  ['de', '9. Mai 2026, Einlass 19 Uhr, Beginn 20 Uhr', '2026-05-09'],
  ['de', '4./5. Mai 2026', '2026-05-04/2026-05-05'],
  ['de', '30. April bis 3. Mai 2026', '2026-04-30/2026-05-03'],
  ['de', '3.–5. Mai 2026', '2026-05-03/2026-05-05'],
  ['de', '3.5.2026', '2026-05-03'],
  ['de', 'vom 3.5. bis 5.5.2026', '2026-05-03/2026-05-05'],
  ['de', '03.05.2026 bis 05.05.2026', '2026-05-03/2026-05-05'],
  ['de', '24. Dezember 2026, 22 Uhr MEZ', '2026-12-24T22:00+01:00'],
  ['de', '1. Jänner 2027', '2027-01-01'],
  ['de', '9. März 2026, 12 Uhr mittags', '2026-03-09T12:00'],
  ['de', '19.30 Uhr, 9. Mai 2026', '2026-05-09T19:30'],
  ['de', '9. Mai 2026, 3 Stunden', '2026-05-09'],
  ['de', '9. Mai 2026, 12,50 €', '2026-05-09'],
  ['fr', 'samedi 9 mai 2026 à 20h30', '2026-05-09T20:30'],
  ['fr', '9 mai 2026, 20h', '2026-05-09T20:00'],
  ['fr', '9 mai 2026 de 14h à 18h', '2026-05-09T14:00/2026-05-09T18:00'],
  ['fr', '1er mai 2026', '2026-05-01'],
  ['fr', 'du 30 avril au 3 mai 2026', '2026-04-30/2026-05-03'],
  ['fr', 'les 4 et 5 mai 2026', '2026-05-04/2026-05-05'],
  ['fr', '9 mai 2026, 3h', '2026-05-09'],
  ['fr', 'le 9/5/2026', '2026-05-09'],
  ['fr', '9 mai 2026 à midi', '2026-05-09T12:00'],
  ['fr', 'du 03/05 au 05/05/2026', '2026-05-03/2026-05-05'],
  ['fr', '9 mai 2026, 10h de musique', '2026-05-09'],
  ['es', 'sábado 9 de mayo de 2026 a las 20:30', '2026-05-09T20:30'],
  ['es', '9 de mayo de 2026, de 10:00 a 14:00', '2026-05-09T10:00/2026-05-09T14:00'],
  ['es', 'del 30 de abril al 3 de mayo de 2026', '2026-04-30/2026-05-03'],
  ['es', '4 y 5 de mayo de 2026', '2026-05-04/2026-05-05'],
  ['es', '9 de mayo de 2026 a las 20 h', '2026-05-09T20:00'],
  ['es', '9/5/2026', '2026-05-09'],
  ['es', '9 mayo 2026', '2026-05-09'],
  ['it', 'sabato 9 maggio 2026, ore 21', '2026-05-09T21:00'],
  ['it', '9 maggio 2026 alle 21.30', '2026-05-09T21:30'],
  ['it', 'dal 4 al 6 maggio 2026', '2026-05-04/2026-05-06'],
  ['it', 'dal 30 aprile al 3 maggio 2026', '2026-04-30/2026-05-03'],
  ['it', '9 maggio 2026, dalle 10 alle 18', '2026-05-09T10:00/2026-05-09T18:00'],
  ['it', '1° maggio 2026', '2026-05-01'],
  ['it', '4 e 5 maggio 2026', '2026-05-04/2026-05-05'],
  ['nl', 'zaterdag 9 mei 2026, 20.00 uur', '2026-05-09T20:00'],
  ['nl', '9 mei 2026 om 20:30 uur', '2026-05-09T20:30'],
  ['nl', 'van 4 tot en met 6 mei 2026', '2026-05-04/2026-05-06'],
  ['nl', '4 t/m 6 mei 2026', '2026-05-04/2026-05-06'],
  ['nl', '9 mei 2026 van 10.00 tot 16.00 uur', '2026-05-09T10:00/2026-05-09T16:00'],
  ['nl', '30 april – 3 mei 2026', '2026-04-30/2026-05-03'],
  ['nl', '09-05-2026', '2026-05-09'],
  ['pt', 'sábado, 9 de maio de 2026, às 20h', '2026-05-09T20:00'],
  ['pt', '9 de maio de 2026 às 19h30', '2026-05-09T19:30'],
  ['pt', 'de 4 a 6 de maio de 2026', '2026-05-04/2026-05-06'],
  ['pt', 'de 30 de abril a 3 de maio de 2026', '2026-04-30/2026-05-03'],
  ['pt', '9 de maio de 2026, das 10h às 18h', '2026-05-09T10:00/2026-05-09T18:00'],
  ['pt', '9/5/2026', '2026-05-09'],
  ['pt', '4 e 5 de maio de 2026', '2026-05-04/2026-05-05'],
  ['pl', 'sobota, 9 maja 2026, godz. 19:00', '2026-05-09T19:00'],
  ['pl', '9 maja 2026 r. o godz. 18.30', '2026-05-09T18:30'],
  ['pl', '4–6 maja 2026', '2026-05-04/2026-05-06'],
  ['pl', 'od 4 do 6 maja 2026', '2026-05-04/2026-05-06'],
  ['pl', 'od 30 kwietnia do 3 maja 2026', '2026-04-30/2026-05-03'],
  ['pl', '09.05.2026', '2026-05-09'],
  ['pl', '9 maja 2026, 10:00–16:00', '2026-05-09T10:00/2026-05-09T16:00'],
  ['pl', '1 września 2026', '2026-09-01'],
  ['ja', '2026年5月9日(土)19時', '2026-05-09T19:00'],
  ['ja', '2026年5月9日 19:30', '2026-05-09T19:30'],
  ['ja', '2026年5月9日（土）午後7時30分', '2026-05-09T19:30'],
  ['ja', '2026年5月4日〜6日', '2026-05-04/2026-05-06'],
  ['ja', '2026年4月30日(木)〜5月3日(日)', '2026-04-30/2026-05-03'],
  ['ja', '令和8年5月9日', '2026-05-09'],
  ['ja', '令和元年5月1日', '2019-05-01'],
  ['ja', '2026年5月4日から6日', '2026-05-04/2026-05-06'],
  ['ja', '2026/5/9', '2026-05-09'],
  ['ja', '２０２６年５月９日', '2026-05-09'],
  ['ja', '2026年5月9日 10時〜16時', '2026-05-09T10:00/2026-05-09T16:00'],
  ['ja', '2026年5月9日 3時間', '2026-05-09'],
  ['ja', '2026年5月', ''],
];

/** Two whole dates that are no span are two, and the second knows that it is not alone. */
const TWO: readonly Row[] = [
  ['en', '3 February 2026 and 3 February 2026', '2026-02-03 2026-02-03+'],
  ['en', '5 May 2026 and 3 April 2026', '2026-05-05 2026-04-03+'],
  ['en', 'May 5, 2026 to April 3, 2026', '2026-05-05 2026-04-03+'],
  ['de', '5.5.2026 und 3.4.2026', '2026-05-05 2026-04-03+'],
];

/** Written after the rules, to judge them. */
const UNSEEN: readonly Row[] = [
  ['en', 'Thursday, October 22, 2026 · 6:00 PM – 8:00 PM', '2026-10-22T18:00/2026-10-22T20:00'],
  ['en', 'The fair runs Friday 3 – Sunday 5 July 2026', '2026-07-03/2026-07-05'],
  ['en', 'Opening night: 14 Aug 2026 (7 for 7.30pm)', '2026-08-14'],
  ['en', 'Nov 7–8, 2026, 9 a.m. to 5 p.m.', '2026-11-07T09:00/2026-11-08T17:00'],
  ['en', 'Monday the 2nd of March 2026 at half past seven', '2026-03-02'],
  ['en', '1 & 2 August 2026', '2026-08-01/2026-08-02'],
  ['en', '2 January, 9 January and 16 January 2027', '2027-01-09+ 2027-01-16+'],
  ['en', 'Every Tuesday until 30 June 2026', '2026-06-30'],
  ['en', 'Aug 2026: workshop on 12th', ''],
  ['en', '12/13/14 June 2026', ''],
  ['en', 'Sat 6th June 2026 2pm-5.30pm', '2026-06-06T14:00/2026-06-06T17:30'],
  ['en', '10.30am, Wednesday 18 November 2026', '2026-11-18T10:30'],
  ['en', '20 June 2026 from 11am', '2026-06-20T11:00'],
  ['en', '(c) 2026 July 4 Books', ''],
  ['en-US', '07/04/2026 8:00 PM', '2026-07-04T20:00'],
  ['en', 'Dec. 31, 2026, 9 p.m. – Jan. 1, 2027, 2 a.m.', '2026-12-31T21:00/2027-01-01T02:00'],
  ['de', 'Freitag, den 13. November 2026, ab 18:00 Uhr', '2026-11-13T18:00'],
  ['de', 'Sa., 7.11. und So., 8.11.2026', '2026-11-07/2026-11-08'],
  ['de', '05. - 07. Juni 2026', '2026-06-05/2026-06-07'],
  ['de', '12. Juni 2026, 14.00 - 17.30 Uhr', '2026-06-12T14:00/2026-06-12T17:30'],
  ['de', 'Ausstellung 1. Juli – 30. September 2026', '2026-07-01/2026-09-30'],
  ['de', 'am 2. und 9. Oktober 2026', '2026-10-02+ 2026-10-09+'],
  ['de', 'Stand: 01/2026, gültig ab 1.2.2026', '2026-02-01'],
  ['de', '24.12.2026–6.1.2027', '2026-12-24/2027-01-06'],
  ['fr', 'Vendredi 13 novembre 2026 – 19h00', '2026-11-13T19:00'],
  ['fr', 'du vendredi 3 au dimanche 5 juillet 2026', '2026-07-03/2026-07-05'],
  ['fr', 'le 14 juillet 2026, de 9h30 à 17h', '2026-07-14T09:30/2026-07-14T17:00'],
  ['fr', 'les 2, 9 et 16 octobre 2026', '2026-10-09+ 2026-10-16+'],
  ['fr', 'du 28 décembre 2026 au 3 janvier 2027', '2026-12-28/2027-01-03'],
  ['es', 'viernes 13 de noviembre de 2026, 19:00 h', '2026-11-13T19:00'],
  ['es', 'Del 28 de diciembre de 2026 al 3 de enero de 2027', '2026-12-28/2027-01-03'],
  ['es', '3, 4 y 5 de julio de 2026', '2026-07-04+ 2026-07-05+'],
  ['es', '12 de octubre del 2026 a las 7 de la tarde', '2026-10-12'],
  ['it', 'venerdì 13 novembre 2026 ore 20.30', '2026-11-13T20:30'],
  ['it', 'dal 28 dicembre 2026 al 3 gennaio 2027', '2026-12-28/2027-01-03'],
  ['it', 'da venerdì 3 a domenica 5 luglio 2026', '2026-07-03/2026-07-05'],
  ['nl', 'vrijdag 13 november 2026 | 20:15 uur', '2026-11-13T20:15'],
  ['nl', 'vr 3 t/m zo 5 juli 2026', '2026-07-03/2026-07-05'],
  ['nl', 'op 2 en 9 oktober 2026', '2026-10-02+ 2026-10-09+'],
  ['pt', 'Sexta-feira, 13 de novembro de 2026 | 19h', '2026-11-13T19:00'],
  ['pt', 'de 28 de dezembro de 2026 a 3 de janeiro de 2027', '2026-12-28/2027-01-03'],
  ['pt', '13/11/2026, das 9h às 12h30', '2026-11-13T09:00/2026-11-13T12:30'],
  ['pl', 'piątek, 13 listopada 2026 r., godz. 20.00', '2026-11-13T20:00'],
  ['pl', '3-5 lipca 2026', '2026-07-03/2026-07-05'],
  ['pl', '13.11.2026 (piątek) 19:00', '2026-11-13T19:00'],
  ['pl', '28 grudnia 2026 – 3 stycznia 2027', '2026-12-28/2027-01-03'],
  ['ja', '2026年11月13日（金）開場18:30 開演19:00', '2026-11-13'],
  ['ja', '2026年7月3日(金)～5日(日) 10:00～17:00', '2026-07-03T10:00/2026-07-05T17:00'],
  ['ja', '平成31年4月30日', '2019-04-30'],
  ['ja', '2026.11.13', '2026-11-13'],
  ['ja', '2026年7月3日・4日', '2026-07-03/2026-07-04'],
  ['ja', '２０２６年１１月１３日（金）１９時３０分～２１時', '2026-11-13T19:30/2026-11-13T21:00'],
];

describe('dates and spans as pages write them', () => {
  it.each([...ROWS, ...TWO])('%s: %s', (lang, text, said) => expect(told(`x ${text} y`, lang)).toBe(said));
  it.each(UNSEEN)('%s, not made for the rules: %s', (lang, text, said) => expect(told(`x ${text} y`, lang)).toBe(said));
  it.each([
    ['US', '2026-03-04'],
    ['GB', '2026-04-03'],
    ['CA', ''],
    [undefined, ''],
  ])('digits are read as the country %s does, where the page says none', (country, said) => expect(told('03/04/2026', 'en', country)).toBe(said));
  it.each([
    ['–', 'en', true],
    [' to Sunday ', 'en', true],
    [' bis ', 'de', true],
    [' al ', 'es', true],
    ['から', 'ja', true],
    [' and ', 'en', false],
    ['; then ', 'en', false],
    ['', 'en', false],
  ])('%j joins two dates in %s: %s', (between, lang, expected) => expect(isSpanSign(between, lang)).toBe(expected));
});

describe('what a library of dates writes is read back as it is, or not at all', () => {
  const LANGS = ['en-GB', 'en-US', 'de-DE', 'de-AT', 'fr-FR', 'es-ES', 'es-MX', 'it-IT', 'nl-NL', 'pt-PT', 'pt-BR', 'pl-PL', 'ja-JP'] as const;
  const day = fc.date({ min: new Date('1950-01-01'), max: new Date('2090-12-31'), noInvalidDate: true });
  const iso = (date: Date): string => date.toISOString().slice(0, 10);
  it('days, in every length', () => {
    const missed: string[] = [];
    fc.assert(
      fc.property(day, fc.constantFrom(...LANGS), fc.constantFrom('full', 'long', 'medium', 'short'), (date, lang, dateStyle) => {
        const written = new Intl.DateTimeFormat(lang, { dateStyle, timeZone: 'UTC' }).format(date);
        const found = datesIn(`x ${written} y`, lang).map((one) => one.iso);
        if (found.length > 0) expect([written, found]).toEqual([written, [iso(date)]]);
        // Short ones have years of two digits, which are none.
        else if (dateStyle === 'full' || dateStyle === 'long') missed.push(written);
      }),
    );
    expect(missed).toEqual([]);
  });
  it('spans', () => {
    const missed: string[] = [];
    fc.assert(
      fc.property(
        day,
        fc.integer({ min: 1, max: 300 }),
        fc.constantFrom(...LANGS),
        fc.constantFrom('full', 'long', 'medium'),
        (date, days, lang, dateStyle) => {
          const last = new Date(date.getTime() + days * 86_400_000);
          const written = new Intl.DateTimeFormat(lang, { dateStyle, timeZone: 'UTC' }).formatRange(date, last);
          const said = told(`x ${written} y`, lang);
          if (said === '') missed.push(written);
          else expect([written, said]).toEqual([written, `${iso(date)}/${iso(last)}`]);
        },
      ),
    );
    expect(missed).toEqual([]);
  });
  it('days with their hour', () =>
    fc.assert(
      fc.property(day, fc.constantFrom(...LANGS), fc.constantFrom('full', 'long'), (date, lang, dateStyle) => {
        const written = new Intl.DateTimeFormat(lang, { dateStyle, timeStyle: 'short', timeZone: 'UTC' }).format(date);
        const [said = ''] = datesIn(`x ${written} y`, lang).map((one) => one.iso);
        expect([written, date.toISOString().slice(0, 16).startsWith(said)]).toEqual([written, true]);
      }),
    ));
});
