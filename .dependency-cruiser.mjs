/** The groups of core in the order a fly passes through them; imports run one way along it, and each is entered by its index only. */
export const CORE = [
  'base',
  'numeric',
  'units',
  'data',
  'drawers',
  'instruments',
  'pattern',
  'model',
  'edit',
  'contract',
  'drawing',
  'tying',
  'checks',
  'study',
];

/** Folders within a group that have an order of their own. */
export const WITHIN = {
  model: ['platform', 'parts', 'geometry', 'balance', 'solve'],
  study: ['finder', 'tolerance', 'explain', 'visibility', 'sizes'],
};

const oneWay = (folder, order) =>
  order.map((name, i) => ({
    name: `${folder.replaceAll('/', '-')}-${name}-looks-back-only`,
    severity: 'error',
    comment: `${folder}/${name} may import only what comes before it`,
    from: { path: `^${folder}/${name}/` },
    to: { path: `^${folder}/(${order.slice(i + 1).join('|') || 'nothing'})/` },
  }));

const byIndexOnly = CORE.map((group) => ({
  name: `core-${group}-by-its-index`,
  severity: 'error',
  comment: `what other groups need of ${group} stands in its index.ts`,
  from: { path: '^core/src/', pathNot: `^core/src/${group}/` },
  to: { path: `^core/src/${group}/`, pathNot: `^core/src/${group}/index\\.ts$` },
}));

export default {
  forbidden: [
    ...oneWay('core/src', CORE),
    ...Object.entries(WITHIN).flatMap(([group, order]) => oneWay(`core/src/${group}`, order)),
    ...byIndexOnly,
    {
      name: 'no-group-by-its-own-index',
      severity: 'error',
      comment: 'within a group one file imports another directly',
      from: { path: '^core/src/([^/]+)/', pathNot: '/index\\.ts$' },
      to: { path: '^core/src/$1/index\\.ts$' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'core knows no interface, server or machine',
      from: { path: '^core/src' },
      to: { path: '^(print|server|web|cli|e2e)/', dependencyTypesNot: ['type-only'] },
    },
    { name: 'core-without-node', severity: 'error', from: { path: '^core/src' }, to: { dependencyTypes: ['core'] } },
    {
      name: 'core-needs-zod-only',
      severity: 'error',
      from: { path: '^core/src' },
      to: { path: 'node_modules/(?!zod)' },
    },
    {
      name: 'print-needs-core-only',
      severity: 'error',
      from: { path: '^print/src' },
      to: { path: '^(web|server|cli|e2e)/' },
    },
    {
      name: 'web-without-server',
      severity: 'error',
      from: { path: '^web/src' },
      to: { path: '^(print|server|cli|e2e)/' },
    },
    { name: 'server-without-web', severity: 'error', from: { path: '^server/src' }, to: { path: '^(web|cli|e2e)/' } },
    {
      name: 'cli-needs-core-and-print-only',
      severity: 'error',
      from: { path: '^cli/src' },
      to: { path: '^(web|server|e2e)/' },
    },
    {
      name: 'only-views-fetch',
      severity: 'error',
      comment: 'components take values and callbacks',
      from: { path: '^web/src/(drawing|ui)/' },
      to: { path: '^web/src/api/' },
    },
    { name: 'nothing-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'],
    },
  },
};
