import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { expect, it } from 'vitest';

const web = dirname(import.meta.dirname);
const files = readdirSync(web, { recursive: true, encoding: 'utf8' }).map((path) => join(web, path));
const sheets = files.filter((path) => path.endsWith('.css'));
const screens = files.filter((path) => path.endsWith('.tsx')).map((path) => ({ path, text: readFileSync(path, 'utf8') }));
/** What an editor of code that comes from elsewhere calls its parts. */
const FOREIGN = /^cm-/;

/** The classes that rules of a sheet begin with: what stands behind them is told of these only. */
function classesOf(sheet: string): string[] {
  const text = readFileSync(sheet, 'utf8').replace(/\/\*[\s\S]*?\*\//g, '');
  const selectors = [...text.matchAll(/([^{};]+)\{/g)].flatMap(([, list = '']) => (list.includes('@') ? [] : list.split(',')));
  return [...new Set(selectors.flatMap((one) => /^\s*\.([a-z][\w-]*)/.exec(one)?.[1] ?? []))].filter((name) => !FOREIGN.test(name));
}

/** Screens that name a class; one that is put together at run time is named by its beginning. */
function usersOf(name: string): string[] {
  const beginnings = [...name.matchAll(/-/g)].map(({ index }) => `${name.slice(0, index + 1)}\\$\\{`);
  const named = new RegExp(`['"\`\\s](?:${[`${name}(?![\\w-])`, ...beginnings].join('|')})`);
  return screens.filter(({ text }) => named.test(text)).map(({ path }) => relative(web, path));
}

it('has no rule for what nothing is called', () => {
  for (const sheet of sheets) for (const name of classesOf(sheet)) expect(usersOf(name), `.${name} of ${relative(web, sheet)}`).not.toEqual([]);
});

it('has the looks of one stop in no sheet of another: it would look otherwise once that was seen', () => {
  for (const sheet of sheets.filter((path) => dirname(path) !== import.meta.dirname))
    for (const name of classesOf(sheet)) {
      const inClass = screens.filter(({ text }) => new RegExp(`className=(?:"|\\{\`)(?:[^"\`]*[\\s}])?${name}(?![\\w-])`).test(text)).map(({ path }) => path);
      expect(
        inClass.filter((path) => !path.startsWith(dirname(sheet))).map((path) => relative(web, path)),
        `.${name} of ${relative(web, sheet)}`,
      ).toEqual([]);
    }
});
