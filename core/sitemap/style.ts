import { escapeXml, NAMESPACES } from './write.ts';

/** Where the style sheets for maps stand: the one that makes a page of them, and a plain one for browsers that have given that up. */
export const STYLE_FILE = 'sitemap.xsl';
export const PLAIN_STYLE_FILE = 'sitemap.css';

/** A style sheet (XSLT 1.0) with which a browser shows a map, or an index of maps, as a table with links. Only for people: engines read past it. */
export function mapStyle(siteName: string, language: string | undefined): string {
  const name = escapeXml(siteName);
  return `<?xml version="1.0" encoding="UTF-8"?>
<xsl:stylesheet version="1.0" xmlns:xsl="http://www.w3.org/1999/XSL/Transform" xmlns:s="${NAMESPACES.map}" xmlns:image="${NAMESPACES.image}" exclude-result-prefixes="s image">
<xsl:output method="html" encoding="UTF-8" indent="yes"/>
<xsl:template match="/">
<html lang="${escapeXml(language ?? 'en')}">
<head>
<meta name="viewport" content="width=device-width, initial-scale=1"/>
<meta name="robots" content="noindex"/>
<title>Sitemap: ${name}</title>
<style>
:root { color-scheme: light dark; }
body { font: 16px/1.5 system-ui, sans-serif; max-width: 64rem; margin: 6rem auto 2rem; padding: 0 1rem; }
h1 { font-size: 1.5rem; margin: 0; }
p { margin: .25rem 0 1.5rem; opacity: .75; }
table { border-collapse: collapse; width: 100%; }
th { text-align: left; font-size: .875rem; opacity: .75; }
th, td { padding: .4rem .75rem .4rem 0; border-bottom: 1px solid color-mix(in srgb, currentColor 18%, transparent); vertical-align: top; }
td:first-child { overflow-wrap: anywhere; }
.n { white-space: nowrap; font-variant-numeric: tabular-nums; }
</style>
</head>
<body>
<h1>${name}</h1>
<xsl:choose>
<xsl:when test="s:sitemapindex">
<p>This is an index of <xsl:value-of select="count(s:sitemapindex/s:sitemap)"/> maps. Search engines read it to learn which pages there are.</p>
<table>
<thead><tr><th>Map</th><th>Last change</th></tr></thead>
<tbody>
<xsl:for-each select="s:sitemapindex/s:sitemap">
<tr><td><a href="{s:loc}"><xsl:value-of select="s:loc"/></a></td><td class="n"><xsl:value-of select="s:lastmod"/></td></tr>
</xsl:for-each>
</tbody>
</table>
</xsl:when>
<xsl:otherwise>
<p>This map names <xsl:value-of select="count(s:urlset/s:url)"/> addresses. Search engines read it to learn which pages there are.</p>
<table>
<thead><tr><th>Address</th><th>Pictures</th><th>Last change</th></tr></thead>
<tbody>
<xsl:for-each select="s:urlset/s:url">
<tr><td><a href="{s:loc}"><xsl:value-of select="s:loc"/></a></td><td class="n"><xsl:value-of select="count(image:image)"/></td><td class="n"><xsl:value-of select="s:lastmod"/></td></tr>
</xsl:for-each>
</tbody>
</table>
</xsl:otherwise>
</xsl:choose>
</body>
</html>
</xsl:template>
</xsl:stylesheet>
`;
}

/** A plain style sheet (CSS) over the elements of a map themselves: browsers take it where they no longer know XSLT. Links it cannot make. */
export function plainMapStyle(): string {
  return `/* How a browser shows this map to people. Engines read past it. */
:root { color-scheme: light dark; }
urlset, sitemapindex { display: block; font: 16px/1.5 system-ui, sans-serif; max-width: 64rem; margin: 2rem auto; padding: 0 1rem; }
urlset::before, sitemapindex::before { display: block; font-size: 1.5rem; font-weight: bold; margin-bottom: 1rem; }
urlset::before { content: "Sitemap"; }
sitemapindex::before { content: "Index of sitemaps"; }
url, sitemap { display: flex; flex-wrap: wrap; gap: 0 1.5rem; padding: .4rem 0; border-bottom: 1px solid color-mix(in srgb, currentColor 18%, transparent); }
url > *, sitemap > * { display: none; }
loc { display: block; flex: 1 1 24rem; overflow-wrap: anywhere; }
lastmod { display: block; flex: none; font-variant-numeric: tabular-nums; opacity: .75; }
`;
}
