import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, createWriteStream } from 'node:fs';
const out = createWriteStream(process.argv[2]);
const folder = mkdtempSync('/tmp/pics-');
const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], { env: { ...process.env, PORT: '5760', HOST_PORT: '5761', STAND_INS: folder }, stdio: ['ignore', 'pipe', 'inherit'] });
await new Promise((r) => server.stdout.on('data', (t) => String(t).includes('is ready') && r()));
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'] });
const c = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
const page = await c.newPage();
await page.goto('http://127.0.0.1:5760/'); await page.locator('.shell').waitFor(); await page.waitForTimeout(3500);
const base = page.url().replace(/\/$/, '').replace(/(\/s\/[^/]+).*/, '$1');
const dump = async (name) => {
  await page.waitForTimeout(350);
  const lines = await page.evaluate(() => {
    const props = ['display','position','color','background-color','background-image','border-top','border-right','border-bottom','border-left','border-radius','padding','margin','font-family','font-size','font-weight','line-height','text-align','text-decoration','white-space','overflow','overflow-wrap','text-overflow','flex','align-items','justify-content','gap','grid-template-columns','box-shadow','outline','opacity','cursor','z-index','transform','visibility','list-style','min-height','max-width','vertical-align','writing-mode','font-variant-numeric','resize','user-select'];
    const res = [];
    const all = document.body.querySelectorAll('*');
    let i = 0;
    for (const e of all) {
      if (e.closest('svg') && e.tagName !== 'svg') continue;
      if (e.closest('.apexcharts-canvas')) continue;
      const r = e.getBoundingClientRect();
      const s = getComputedStyle(e);
      if (s.display === 'none') { res.push(`${i++} ${e.tagName} none`); continue; }
      let line = `${i++} ${e.tagName} "${(e.childElementCount ? '' : e.textContent).slice(0, 20).replace(/\d/g,'#')}" .${(e.getAttribute('class')??'').slice(0,60)} @@ ${[r.x, r.y, r.width, r.height].map((n) => Math.round(n)).join(',')}`;
      line += '|' + props.map((p) => p + ':' + s.getPropertyValue(p)).join('|');
      for (const pseudo of ['::before', '::after']) { const q = getComputedStyle(e, pseudo); if (q.content !== 'none') line += '|' + pseudo + ['content','display','position','inset','width','height','background-color','background-image','border-left','transform'].map((p) => q.getPropertyValue(p)).join(','); }
      res.push(line);
    }
    return res;
  });
  out.write(`## ${name}\n${lines.join('\n')}\n`);
};
const SETS = [['wide', { width: 1280, height: 800 }, 'light'], ['dusk', { width: 1280, height: 800 }, 'dark'], ['mid', { width: 950, height: 700 }, 'light'], ['phone', { width: 390, height: 844 }, 'light']];
const each = async (name) => { for (const [s, size, scheme] of SETS) { await page.setViewportSize(size); await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' }); await dump(`${name} ${s}`); } await page.setViewportSize(SETS[0][1]); await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' }); };
const press = (name) => page.getByRole('button', { name, exact: true }).click();
const at = async (path) => { await page.goto(base + path); await page.locator('.shell').waitFor(); await page.waitForTimeout(900); };
const openAll = () => page.evaluate(() => document.querySelectorAll('details').forEach((d) => (d.open = true)));
const nav = async (stop) => { await page.locator('nav[aria-label="The path"] a', { hasText: stop }).first().click(); await page.waitForTimeout(400); };
const choose = async (name) => { await page.getByRole('searchbox', { name: 'Find a page' }).fill(name); await page.keyboard.press('Enter'); await page.waitForTimeout(400); };
const safe = async (name, f) => { try { await f(); } catch (e) { console.log('skip', name, String(e).split('\n')[0]); } };
// states before
await each('start-first');
await safe('patterns', async () => { await at('/words/patterns'); await page.getByRole('button', { name: /^Posts/ }).click(); await press('Make one'); await page.getByRole('combobox', { name: 'Add a part or a text' }).fill('fr'); await page.waitForTimeout(300); await each('patterns-combo'); });
await safe('phrases', async () => { await at('/words/phrases'); await page.getByLabel('What you offer').fill('book repair\nbox making\ngold tooling\nfamily Bible repair'); await page.getByLabel('Where').fill('Saltmere'); await page.getByLabel('For whom').fill('for libraries'); await page.waitForTimeout(600); await openAll(); await each('phrases-full'); });
await safe('ledger', async () => { await at('/words/ledger'); await page.locator('.ledger-grid').focus(); await page.keyboard.press('ArrowDown'); await page.keyboard.press('Shift+ArrowDown'); await page.keyboard.press('Shift+ArrowRight'); await each('ledger-sel'); await page.keyboard.press('Enter'); await each('ledger-edit'); await page.keyboard.press('Escape'); });
await safe('robots', async () => { await at('/doors/robots'); await page.getByLabel('Line 6: take it out').click(); await page.waitForTimeout(600); await each('robots-draft'); await page.getByRole('button', { name: 'Discard', exact: true }).click(); });
await safe('doors', async () => { await at('/doors'); await choose('Family Bibles'); await openAll(); await each('doors-open'); await press('Open both'); await page.waitForTimeout(500); });
await safe('who', async () => { await at('/meaning/who'); await page.getByRole('button', { name: 'Take all 5' }).click(); await page.getByLabel('Name', { exact: true }).fill('Quillfeather Bindery'); await openAll(); await each('who-full'); });
await safe('mkinds', async () => { await at('/meaning/kinds'); await press('Write it into all pages'); await page.getByRole('button', { name: /^Events/ }).click(); await page.waitForTimeout(3200); await each('mkinds'); });
await safe('meaning', async () => { await at('/meaning'); await choose('Leather basics'); await page.waitForTimeout(900); await openAll(); await each('meaning-page'); });
await safe('map', async () => { await at('/map'); await press('Write this sitemap'); await openAll(); await each('map-written'); });
await safe('mapread', async () => { await at('/map/read'); await page.getByRole('button', { name: '/sitemap.xml, as it came' }).click(); await page.waitForTimeout(600); await each('map-read'); });
await safe('proof', async () => { await at('/proof'); await press('Paste it for me'); await openAll(); await each('proof-paste'); await press('Place it'); await page.waitForTimeout(1500); });
await safe('release', async () => { await at('/release'); await openAll(); await page.waitForTimeout(500); await each('release-waiting'); await page.locator('button', { hasText: /^Publish as release/ }).click(); await page.getByTestId('released').waitFor(); await each('released'); });
await safe('look', async () => { await at('/proof'); await press('Let Skerry look'); await page.getByTestId('proof-outcome').waitFor(); await each('proof-done'); });
await safe('watch', async () => { await at('/watch'); await press('Play the launch'); await page.getByText('First click', { exact: true }).first().waitFor({ timeout: 60000 }); await page.waitForTimeout(1500); await each('watch-launched'); });
const VIEWS = { '': [''], words: ['page','ledger','patterns','kinds','facts','alike','pictures','phrases','exchange','checks'], doors: ['page','pages','kinds','files','robots','try','site'], meaning: ['page','kinds','markup','who','experts'], map: ['map','choices','also','read'], release: ['waiting','earlier','live','address'], proof: ['proof','snippets','notices','engines'], watch: ['launch','pages','searches','visits','engines'], weight: [''], 'new-version': [''] };
import { readFileSync } from 'node:fs';
for (const stop of ['proof', 'watch']) VIEWS[stop] = [...readFileSync(`web/${stop}/views.ts`, 'utf8').matchAll(/id: '(\w+)'/g)].map((m) => m[1]);
for (const [stop, views] of Object.entries(VIEWS)) for (const view of views) await safe(`${stop}/${view}`, async () => { await at(stop === '' ? '' : `/${stop}${view ? '/' + view : ''}`); await openAll(); await page.waitForTimeout(700); await each(`${stop}/${view}`); });
await safe('leaf', async () => { await at('/words'); await choose('Box making'); await openAll(); await each('words-box'); await page.locator('[aria-label^="What is this?"]').first().click(); await each('term'); await page.keyboard.press('Escape'); });
await safe('palette', async () => { await page.keyboard.press('Control+k'); await page.waitForTimeout(500); await each('palette'); await page.keyboard.press('Escape'); });
await safe('drawers', async () => { await page.setViewportSize({ width: 390, height: 844 }); await at('/words'); await page.locator('.drawer-button.for-tree').first().click(); await page.waitForTimeout(400); await dump('drawer-tree'); await page.keyboard.press('Escape'); await page.locator('.drawer-button.for-rail').first().click(); await page.waitForTimeout(400); await dump('drawer-rail'); await page.keyboard.press('Escape'); await page.setViewportSize(SETS[0][1]); });
await safe('keys', async () => { await at('/words'); await page.locator('h1').click(); await page.keyboard.press('?'); await page.waitForTimeout(300); await each('keys'); });
await safe('sites', async () => { await page.goto('http://127.0.0.1:5760/sites'); await page.waitForTimeout(900); await openAll(); await each('sites'); });
out.end(); await browser.close(); server.kill();
