/** Imports point one way: what the design says, checked. */
const screens = ['start', 'words', 'meaning', 'doors', 'map', 'weight', 'release', 'proof', 'watch', 'sites'];
/** Of the core nothing but these, and what all may use. */
const not = (...folders) => `^core/(?!(keyed|${folders.join('|')})/)`;

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'core-knows-no-host', severity: 'error', from: { path: '^core' }, to: { path: '^(web|server)/' } },
    { name: 'core-takes-no-node', severity: 'error', from: { path: '^core' }, to: { dependencyTypes: ['core'] } },
    { name: 'web-not-server', severity: 'error', from: { path: '^web' }, to: { path: '^server' } },
    { name: 'server-not-web', severity: 'error', from: { path: '^server' }, to: { path: '^web' } },
    { name: 'keyed-knows-nothing', severity: 'error', from: { path: '^core/keyed' }, to: { path: '^core/(?!keyed/)' } },
    { name: 'source-is-the-ground', severity: 'error', from: { path: '^core/source' }, to: { path: not('source') } },
    { name: 'page-on-source', severity: 'error', from: { path: '^core/page' }, to: { path: not('page', 'source', 'engines') } },
    { name: 'language-alone', severity: 'error', from: { path: '^core/language' }, to: { path: not('language') } },
    { name: 'phrases-on-language', severity: 'error', from: { path: '^core/phrases' }, to: { path: not('phrases', 'language', 'page', 'source') } },
    { name: 'titles-on-page', severity: 'error', from: { path: '^core/titles' }, to: { path: not('titles', 'language', 'page', 'source') } },
    { name: 'robots-on-source', severity: 'error', from: { path: '^core/robots' }, to: { path: not('robots', 'source') } },
    { name: 'sitemap-on-source', severity: 'error', from: { path: '^core/sitemap' }, to: { path: not('sitemap', 'source') } },
    { name: 'site-on-page', severity: 'error', from: { path: '^core/site/' }, to: { path: not('site', 'page', 'source', 'titles', 'saved') } },
    {
      name: 'indexing-on-subjects',
      severity: 'error',
      from: { path: '^core/indexing' },
      to: { path: not('indexing', 'engines', 'page', 'robots', 'site', 'source') },
    },
    { name: 'engines-alone', severity: 'error', from: { path: '^core/engines' }, to: { path: not('engines') } },
    { name: 'saved-alone', severity: 'error', from: { path: '^core/saved' }, to: { path: not('saved') } },
    {
      name: 'checks-on-subjects',
      severity: 'error',
      from: { path: '^core/checks' },
      to: { path: '^core/(wording|survey|links|crawl|map|rows|release|engine|exchange)/' },
    },
    // The rooms below the survey, from the ground up: what links where, who may come in, what maps say, what is told of a page.
    { name: 'links-below-crawl', severity: 'error', from: { path: '^core/links' }, to: { path: '^core/(crawl|map|rows|survey)/' } },
    { name: 'crawl-below-map', severity: 'error', from: { path: '^core/crawl' }, to: { path: '^core/(map|rows|survey)/' } },
    { name: 'map-below-rows', severity: 'error', from: { path: '^core/map' }, to: { path: '^core/(rows|survey)/' } },
    { name: 'rows-below-survey', severity: 'error', from: { path: '^core/rows' }, to: { path: '^core/survey/' } },
    { name: 'survey-on-top', severity: 'error', from: { path: '^core/(?!(survey|ledger|wording)/)' }, to: { path: '^core/survey/' } },
    { name: 'only-wording-words', severity: 'error', from: { path: '^core/(?!wording/)' }, to: { path: '^core/wording' } },
    { name: 'ui-knows-no-domain', severity: 'error', from: { path: '^web/ui' }, to: { path: '^(core|web/(?!ui/))' } },
    { name: 'only-storage-stores', severity: 'error', from: { path: '^web/(?!storage/)' }, to: { path: 'node_modules/idb' } },
    ...screens.map((screen) => ({
      name: `${screen}-knows-no-other-screen`,
      severity: 'error',
      from: { path: `^web/${screen}/` },
      to: { path: `^web/(app|${screens.filter((other) => other !== screen).join('|')})/` },
    })),
    {
      name: 'through-the-door',
      comment: 'A folder shows its door in index.ts; from outside nothing else is taken.',
      severity: 'error',
      from: { path: '^(core|web|server)/([^/]+)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^core/([^/]+)/', pathNot: ['^core/[^/]+/index\\.ts$', '^core/$2/', '^core/platform'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: { path: '\\.test\\.tsx?$|^core/testing/' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'], extensions: ['.ts', '.tsx', '.js', '.mjs', '.d.ts'] },
  },
};
