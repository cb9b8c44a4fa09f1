import { describe, expect, it } from 'vitest';
import { pageTree } from '../markup/index.ts';
import { factsOf } from '../testing/html.ts';
import { gatherContent, outlineOf } from './index.ts';

/** The dates and the standing that a page's own part says, as `field value` parted by blanks. */
function said(lang: string, body: string): string {
  const html = `<html><body><header>Tide House</header><main>${body}</main><footer>© 2026</footer></body></html>`;
  const content = gatherContent(outlineOf(pageTree(html)), factsOf(html), { lang, host: 'a.example' });
  const fields = ['published', 'modified', 'begins', 'ends', 'until', 'eventStatus', 'availability'] as const;
  return fields.flatMap((field) => (content[field] === undefined ? [] : [`${field} ${content[field].value}`])).join(' ');
}

describe('dates of events and texts, on pages as builders make them', () => {
  it.each<[string, string, string]>([
    ['en', '<h1>Summer concert</h1><p>Saturday 6 June 2026, 7.30pm</p>', 'begins 2026-06-06T19:30'],
    ['en', '<h1>Fair</h1><p>From 4–6 May 2026, 10am–5pm daily</p>', 'begins 2026-05-04T10:00 ends 2026-05-06T17:00'],
    ['en', '<h1>Talk</h1><p class="posted-on">Posted on 1 May 2026</p><p>Join us on 11 June 2026 at 7pm.</p>', 'published 2026-05-01 begins 2026-06-11T19:00'],
    [
      'en',
      '<h1>Talk</h1><div class="entry-meta"><time class="entry-date" datetime="2026-05-01">1 May 2026</time></div><dl><dt>Date<dd>11 June 2026<dt>Time<dd>7pm</dl>',
      'published 2026-05-01 begins 2026-06-11',
    ],
    ['en', '<h1>Walk</h1><p>Two dates: 4 May 2026 and 1 June 2026.</p>', ''],
    ['en', '<h1>Walk</h1><p>On 4 and 11 May 2026</p>', ''],
    ['en', '<h1>Course</h1><p>Book by 30 April 2026.</p><p>Starts 9 May 2026</p>', 'begins 2026-05-09 until 2026-04-30'],
    ['en', '<h1>Walk</h1><p><strong>CANCELLED</strong></p><p>Sunday 7 June 2026, 2pm</p>', 'begins 2026-06-07T14:00 eventStatus EventCancelled'],
    ['en', '<h1>Talk</h1><p>Postponed from 4 May 2026 to 11 June 2026</p>', 'begins 2026-06-11 eventStatus EventRescheduled'],
    ['en', '<h1>Talk</h1><p>Postponed until further notice (originally 4 May 2026)</p>', 'eventStatus EventPostponed'],
    ['en', '<h1>Concert</h1><p>Doors 7pm</p><p>Sold out</p><p>6 June 2026</p>', 'published 2026-06-06 begins 2026-06-06 availability SoldOut'],
    ['en', '<h1>About us</h1><p>Last updated: 3 March 2026</p>', 'modified 2026-03-03'],
    ['en', '<h1>About us</h1><p>Founded on 3 March 1998</p>', ''],
    [
      'en',
      '<h1>Concert</h1><p>6 June 2026, 7pm</p><section class="related"><h2>More events</h2><p>7 July 2026, 8pm</p></section><div class="comments"><p>On 8 May 2026 I went</p></div>',
      'begins 2026-06-06T19:00',
    ],
    [
      'en',
      '<h1>Show</h1><p><time datetime="2026-06-06">6 June 2026</time> – <time datetime="2026-06-08">8 June 2026</time></p>',
      'begins 2026-06-06 ends 2026-06-08',
    ],
    ['de', '<h1>Konzert</h1><p>Wann: Samstag, 6. Juni 2026, 19.30 Uhr</p><p>Ausverkauft</p>', 'begins 2026-06-06T19:30 availability SoldOut'],
    ['de', '<h1>Markt</h1><p>vom 4. bis 6. Mai 2026</p><p>Anmeldeschluss: 20. April 2026</p>', 'begins 2026-05-04 ends 2026-05-06 until 2026-04-20'],
    ['de', '<h1>Lesung</h1><p>Abgesagt</p><p>am 6. Juni 2026 um 20 Uhr</p>', 'begins 2026-06-06T20:00 eventStatus EventCancelled'],
    ['de', '<h1>Text</h1><p>Zuletzt aktualisiert am 3. März 2026</p>', 'modified 2026-03-03'],
    ['fr', '<h1>Stage</h1><p>Du 4 au 6 mai 2026</p><p>Complet</p>', 'begins 2026-05-04 ends 2026-05-06 availability SoldOut'],
    ['fr', '<h1>Concert</h1><p>Reporté au 12 juin 2026 à 20h30</p>', 'begins 2026-06-12T20:30 eventStatus EventRescheduled'],
    ['es', '<h1>Taller</h1><p>Fecha: 9 de mayo de 2026, de 10:00 a 14:00</p>', 'begins 2026-05-09T10:00 ends 2026-05-09T14:00'],
    ['it', '<h1>Mostra</h1><p>dal 4 al 30 maggio 2026</p><p>Pubblicato il 1 aprile 2026</p>', 'published 2026-04-01 begins 2026-05-04 ends 2026-05-30'],
    ['nl', '<h1>Markt</h1><p>4 t/m 6 mei 2026</p><p>Geannuleerd</p>', 'begins 2026-05-04 ends 2026-05-06 eventStatus EventCancelled'],
    ['pt', '<h1>Oficina</h1><p>Inscrições até 30 de abril de 2026</p><p>Data: 9 de maio de 2026, às 19h30</p>', 'begins 2026-05-09T19:30 until 2026-04-30'],
    ['pl', '<h1>Koncert</h1><p>6 czerwca 2026, godz. 19:00</p><p>Odwołany</p>', 'begins 2026-06-06T19:00 eventStatus EventCancelled'],
    ['ja', '<h1>講演会</h1><p>日時：2026年6月6日（土）19時30分</p><p>締切：2026年5月20日</p>', 'begins 2026-06-06T19:30 until 2026-05-20'],
    ['de', '<h1>Lesung</h1><p>Die Lesung wird auf Freitag, den 12. Juni 2026 verschoben.</p>', 'begins 2026-06-12 eventStatus EventRescheduled'],
    ['de', '<h1>Lesung</h1><p>Die Lesung am 4. Mai 2026 wird verschoben.</p>', 'begins 2026-05-04 eventStatus EventPostponed'],
    ['en', '<h1>Market</h1><p>03/04/2026, 10am–4pm</p>', ''],
  ])('%s: %s', (lang, body, expected) => expect(said(lang, body)).toBe(expected));
});
