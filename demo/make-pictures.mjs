// Draws the demo site's pictures: `node demo/make-pictures.mjs`. They are drawn as SVG, rendered by the browser that the tests use, and two of
// them are given camera data, as photographs straight from a telephone have it.
import { chromium } from '@playwright/test';
import { writeFile, mkdir } from 'node:fs/promises';

const out = new URL('./site/pictures/', import.meta.url);
await mkdir(out, { recursive: true });

let seed = 7;
const chance = () => ((seed = (seed * 16807) % 2147483647) - 1) / 2147483646;
const between = (low, high) => low + chance() * (high - low);
const CLOTH = ['#7a3b2e', '#40594b', '#2f4858', '#a6762f', '#5c3a4d', '#8a8f6a', '#b5533c', '#d9b56d'];

const book = (x, y, w, h, colour) =>
  `<g><rect x="${x}" y="${y}" width="${w}" height="${h}" rx="3" fill="${colour}"/><rect x="${x}" y="${y + h * 0.12}" width="${w}" height="${h * 0.03}" fill="#f6e7c8" opacity=".7"/><rect x="${x}" y="${y + h * 0.82}" width="${w}" height="${h * 0.03}" fill="#f6e7c8" opacity=".7"/><rect x="${x + w * 0.25}" y="${y + h * 0.25}" width="${w * 0.5}" height="${h * 0.3}" fill="#f6e7c8" opacity=".35"/></g>`;
const shelf = (y, height) => {
  let books = '';
  for (let x = 20; x < 1160;) {
    const w = between(22, 58);
    const h = between(height * 0.6, height * 0.95);
    books += book(x, y - h, w, h, CLOTH[Math.floor(chance() * CLOTH.length)]);
    x += w + between(1, 4);
  }
  return `${books}<rect x="0" y="${y}" width="1200" height="14" fill="#6b4a2f"/>`;
};
const wall = (colour) =>
  `<rect width="1200" height="800" fill="${colour}"/><filter id="g"><feTurbulence baseFrequency=".9" numOctaves="3"/><feColorMatrix values="0 0 0 0 0  0 0 0 0 0  0 0 0 0 0  0 0 0 .09 0"/></filter><rect width="1200" height="800" filter="url(#g)"/>`;
const bench = `<rect y="600" width="1200" height="200" fill="#9c6b3f"/><rect y="600" width="1200" height="14" fill="#b98352"/>`;
const marbled = (a, b, c) =>
  `<filter id="m" x="0" y="0" width="100%" height="100%"><feTurbulence type="turbulence" baseFrequency=".004 .018" numOctaves="5" seed="11" result="n"/><feDisplacementMap in="SourceGraphic" in2="n" scale="260" xChannelSelector="R" yChannelSelector="G"/></filter><rect width="1200" height="800" fill="${a}"/><g filter="url(#m)">${Array.from({ length: 60 }, (_, i) => `<rect x="-200" y="${i * 22 - 240}" width="1600" height="${between(5, 15)}" fill="${[a, b, c, '#f3e6cd'][i % 4]}"/>`).join('')}</g>`;

const SCENES = {
  'workshop.jpg': [
    2,
    93,
    `${wall('#e9dcc3')}${shelf(210, 170)}${shelf(420, 170)}${bench}<rect x="820" y="330" width="230" height="30" fill="#4a4038"/><rect x="915" y="200" width="40" height="140" fill="#4a4038"/><rect x="780" y="190" width="310" height="22" fill="#4a4038"/><rect x="800" y="360" width="270" height="240" fill="#5d4a3a"/><rect x="850" y="470" width="170" height="60" fill="#7a3b2e"/>${book(180, 520, 220, 80, '#40594b')}<rect x="440" y="560" width="180" height="40" fill="#f3e6cd"/><path d="M660 600l90-70 12 14-84 56z" fill="#efe9dd"/>`,
  ],
  'marbling.jpg': [2, 92, marbled('#2f4858', '#a6762f', '#6f8f94')],
  'lane.jpg': [
    1,
    86,
    `${wall('#c9d4d2')}<rect x="0" y="180" width="430" height="620" fill="#d9c7a8"/><rect x="760" y="120" width="440" height="680" fill="#c9b08a"/><path d="M430 800L560 420h80l120 380z" fill="#a9a294"/><rect x="860" y="420" width="150" height="290" fill="#2f5f7a"/><circle cx="990" cy="570" r="8" fill="#d9b56d"/><rect x="80" y="320" width="110" height="150" fill="#7b8d8c"/><rect x="250" y="320" width="110" height="150" fill="#7b8d8c"/><path d="M560 420h80v-60l-40-40-40 40z" fill="#8fb0b8"/>`,
  ],
  'repair.jpg': [
    0.54,
    82,
    `${wall('#dccdb2')}${bench}<path d="M250 560q350-120 700 0v60q-350-90-700 0z" fill="#f6efe0"/><path d="M600 505v100" stroke="#7a3b2e" stroke-width="10"/>${Array.from({ length: 7 }, (_, i) => `<path d="M585 ${515 + i * 12}h30" stroke="#4a4038" stroke-width="4"/>`).join('')}<path d="M240 620q360-100 720 0v24q-360-90-720 0z" fill="#40594b"/>`,
  ],
  'box.jpg': [
    0.54,
    82,
    `${wall('#e4d9c4')}${bench}<path d="M340 620V360l80-50h420v260l-80 50z" fill="#40594b"/><path d="M340 360l80-50h420l-80 50z" fill="#587564"/><rect x="430" y="430" width="240" height="90" fill="#f3e6cd"/><path d="M470 468h160M490 490h120" stroke="#2b2520" stroke-width="5"/>`,
  ],
  'clamshell-open.jpg': [
    0.54,
    82,
    `${wall('#e4d9c4')}${bench}<path d="M180 620l60-120h360l-20 120zM620 620l-10-120h360l60 120z" fill="#40594b"/><path d="M230 600l45-85h300l-15 85zM650 600l-8-85h300l45 85z" fill="#d9b56d"/>`,
  ],
  'slipcase.jpg': [
    0.54,
    82,
    `${wall('#e4d9c4')}${bench}<rect x="420" y="280" width="300" height="330" fill="#5c3a4d"/>${[0, 1, 2].map((i) => book(720 + i * 46, 292, 44, 316, CLOTH[i])).join('')}`,
  ],
  'maren.jpg': [
    0.54,
    82,
    `${wall('#d8cbb0')}${shelf(300, 200)}<circle cx="600" cy="330" r="95" fill="#e3b48f"/><path d="M500 320q100-170 200 0 10-150-100-150t-100 150z" fill="#8d8a86"/><path d="M400 800q0-340 200-350 200 10 200 350z" fill="#2f4858"/><path d="M520 800V520h160v280z" fill="#7a3b2e"/>`,
  ],
  'journal.jpg': [
    0.54,
    82,
    `${wall('#e9e1cf')}${bench}<g transform="rotate(-8 600 500)"><rect x="400" y="330" width="400" height="280" rx="8" fill="#b9a98a"/><rect x="400" y="330" width="46" height="280" fill="#9c8c6d"/><rect x="700" y="330" width="12" height="330" fill="#b5533c"/></g>`,
  ],
  'kit.jpg': [
    0.54,
    82,
    `${wall('#e9e1cf')}${bench}<rect x="280" y="640" width="640" height="110" fill="#f3e6cd"/><rect x="320" y="520" width="160" height="110" fill="#f9f4e8"/><rect x="520" y="540" width="120" height="90" rx="10" fill="#a6762f"/><path d="M700 620l160-120 16 18-150 110z" fill="#efe9dd"/><path d="M880 630l30-170h20l-8 172z" fill="#6b4a2f"/>`,
  ],
  'folder.jpg': [
    0.54,
    82,
    `${wall('#bfc4c4')}<path d="M320 520q240-180 560-190 30 10 0 40-300 20-540 180-30 0-20-30z" fill="#f1ebdc" stroke="#cbbf9f" stroke-width="4"/>`,
  ],
  'press.jpg': [
    1,
    84,
    `${wall('#cdbfa2')}${bench}<rect x="330" y="180" width="540" height="50" fill="#5d4a3a"/><rect x="360" y="230" width="60" height="400" fill="#6b5540"/><rect x="780" y="230" width="60" height="400" fill="#6b5540"/><rect x="580" y="120" width="40" height="240" fill="#4a4038"/><rect x="430" y="360" width="340" height="40" fill="#4a4038"/>${[0, 1, 2, 3].map((i) => `<rect x="${460 + i * 6}" y="${420 + i * 46}" width="${280 - i * 12}" height="40" fill="${CLOTH[i]}"/>`).join('')}<rect x="330" y="610" width="540" height="40" fill="#5d4a3a"/>`,
  ],
};

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
});
for (const [name, [scale, quality, scene]] of Object.entries(SCENES)) {
  const page = await browser.newPage({ viewport: { width: Math.round(1200 * scale), height: Math.round(800 * scale) } });
  await page.setContent(
    `<style>body{margin:0}svg{display:block;width:100vw;height:100vh}</style><svg viewBox="0 0 1200 800" preserveAspectRatio="xMidYMid slice">${scene}</svg>`,
  );
  let jpeg = await page.screenshot({ type: 'jpeg', quality });
  if (name === 'workshop.jpg' || name === 'lane.jpg') jpeg = withCameraData(jpeg);
  await writeFile(new URL(name, out), jpeg);
  await page.close();
}
await browser.close();

/** Puts an Exif segment with a make, a model and a place behind the start of a JPEG. Camera and place are invented. */
function withCameraData(jpeg) {
  const texts = { make: 'Saltmere Optical\0', model: 'Pocket 5\0' };
  const tiff = Buffer.alloc(220);
  tiff.write('II*\0', 0, 'latin1');
  tiff.writeUInt32LE(8, 4);
  tiff.writeUInt16LE(3, 8);
  const entry = (at, tag, type, count, value) => {
    tiff.writeUInt16LE(tag, at);
    tiff.writeUInt16LE(type, at + 2);
    tiff.writeUInt32LE(count, at + 4);
    tiff.writeUInt32LE(value, at + 8);
  };
  entry(10, 0x010f, 2, texts.make.length, 60);
  entry(22, 0x0110, 2, texts.model.length, 80);
  entry(34, 0x8825, 4, 1, 100);
  tiff.write(texts.make, 60, 'latin1');
  tiff.write(texts.model, 80, 'latin1');
  tiff.writeUInt16LE(4, 100);
  entry(102, 1, 2, 2, 0x4e);
  entry(114, 2, 5, 3, 160);
  entry(126, 3, 2, 2, 0x57);
  entry(138, 4, 5, 3, 186);
  [51, 1, 12, 1, 30, 1].forEach((n, i) => tiff.writeUInt32LE(n, 160 + i * 4));
  [1, 1, 5, 1, 20, 1].forEach((n, i) => tiff.writeUInt32LE(n, 186 + i * 4));
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff]);
  const head = Buffer.from([0xff, 0xe1, 0, 0]);
  head.writeUInt16BE(body.length + 2, 2);
  return Buffer.concat([jpeg.subarray(0, 2), head, body, jpeg.subarray(2)]);
}
