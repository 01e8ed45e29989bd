/** The order a fly passes through core; imports run one way along it. */
const ORDER = [
  'units',
  'instruments',
  'data',
  'drawers',
  'file',
  'measure',
  'platform',
  'parts',
  'geometry',
  'balance',
  'solve',
  'exchange',
  'figure',
  'paper',
  'edit',
  'tying',
  'checks',
  'sheet',
  'find',
  'scatter',
  'why',
  'seen',
  'run',
  'gauge',
];

const oneWay = ORDER.map((folder, i) => ({
  name: `core-${folder}-looks-back-only`,
  severity: 'error',
  comment: `core/src/${folder} may import only what comes before it`,
  from: { path: `^core/src/${folder}/` },
  to: { path: `^core/src/(${ORDER.slice(i + 1).join('|') || 'nothing'})/` },
}));

export default {
  forbidden: [
    ...oneWay,
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
