import { expect, it } from 'vitest';
import { shownPage } from './shown-page.ts';

it('a page is shown with the style sheets the site brought, under a policy that comes before all of it', async () => {
  const files: Record<string, string> = { 'ümlaut/a.css': 'p{}</style><script>bad()</script>', 'b.css': 'h1{}' };
  const asked: string[] = [];
  const shown = await shownPage(
    '<!doctype html><html><head><base href="/x/"><link rel=stylesheet href="/%C3%BCmlaut/a.css?v=1"><link rel="alternate stylesheet" href=b.css><link rel=stylesheet href="https://other.example/c.css"></head><body onload="bad()"><p>x',
    '/sitemap.html',
    'a.example',
    async (path) => {
      asked.push(path);
      return files[path] === undefined ? undefined : new TextEncoder().encode(files[path]);
    },
  );
  expect(shown.startsWith("<!doctype html><meta http-equiv=\"content-security-policy\" content=\"default-src 'none'; style-src 'unsafe-inline'")).toBe(true);
  expect(asked.sort()).toEqual(['b.css', 'ümlaut/a.css']);
  // A style sheet cannot end its own element, so nothing of it becomes markup.
  expect(shown).toContain('<style>p{}<\\/style><script>bad()</script></style>');
  expect(shown).not.toContain('<link');
  expect(await shownPage('<p>'.repeat(2000), '/x.html', 'a.example', async () => undefined)).not.toBe(undefined);
});
