const WORDS =
  'paper linen thread harbour box book leather press glue spine board cloth ribbon gold tool needle page fold sew mend bind letter ledger atlas lantern rope tide salt mill bark candle window bench'.split(
    ' ',
  );

/** A made-up site of so many pages, always the same for the same number: folders, links, headings, pictures, some mistakes. */
export function generateSite(pages: number): Map<string, string> {
  let seed = 42;
  const next = (below: number): number => {
    seed = (seed * 1664525 + 1013904223) >>> 0;
    return Math.floor((seed / 4294967296) * below);
  };
  const words = (count: number): string => Array.from({ length: count }, () => WORDS[next(WORDS.length)] as string).join(' ');
  const path = (index: number): string =>
    index === 0
      ? 'index.html'
      : `${['services', 'journal', 'shop', 'journal/tag', 'notes'][index % 5] as string}/${WORDS[index % WORDS.length] as string}-${index}/index.html`;
  const site = new Map<string, string>();
  for (let index = 0; index < pages; index++) {
    const links = Array.from({ length: 20 }, () => path(next(pages)).replace('index.html', ''));
    const title = index % 40 === 7 ? 'Untitled' : `${words(3)} ${index}`;
    const description = index % 12 === 5 ? '' : `<meta name="description" content="${words(16)}, number ${index % 30 === 0 ? 0 : index}.">\n`;
    site.set(
      path(index),
      `<!doctype html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<title>${title}</title>\n${description}<link rel="stylesheet" href="/style.css">\n</head>\n<body>\n<header><nav>${links.map((link) => `<a href="/${link}">${words(2)}</a>`).join(' ')}</nav></header>\n<main>\n<h1>${words(3)}</h1>\n` +
        `${Array.from({ length: 6 }, () => `<h2>${words(4)}</h2>\n<p>${words(40)}. <em>${words(5)}</em> &amp; ${words(20)}.</p>\n<ul><li>${words(4)}<li>${words(5)}</ul>\n<img src="/pictures/${WORDS[next(WORDS.length)] as string}.jpg"${next(4) === 0 ? '' : ` alt="${words(3)}"`}>`).join('\n')}\n</main>\n</body>\n</html>\n`,
    );
  }
  site.set('robots.txt', 'User-agent: *\nDisallow: /shop/basket\n');
  return site;
}
