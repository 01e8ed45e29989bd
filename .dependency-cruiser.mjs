import { CORE, SHARED, WEB, WITHIN } from './folders.mjs';

const oneWay = (folder, folders) =>
  Object.keys(folders).map((name, i, order) => ({
    name: `${folder.replaceAll('/', '-')}-${name}-looks-back-only`,
    severity: 'error',
    comment: `${folder}/${name} may import only what comes before it`,
    from: { path: `^${folder}/${name}/` },
    to: { path: `^${folder}/(${order.slice(i + 1).join('|') || 'nothing'})/` },
  }));

const byIndexOnly = Object.keys(CORE).map((group) => ({
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
    ...oneWay('web/src', WEB),
    ...oneWay('web/src/shared', SHARED),
    {
      name: 'no-feature-knows-another',
      severity: 'error',
      comment: 'what two features share stands in shared or in fly',
      from: { path: '^web/src/features/([^/]+)/' },
      to: { path: '^web/src/features/', pathNot: '^web/src/features/$1/' },
    },
    {
      name: 'no-server-part-knows-another-by-its-routes',
      severity: 'error',
      from: { path: '^server/src/([^/]+)/' },
      to: { path: '^server/src/[^/]+/routes\\.ts$', pathNot: '^server/src/$1/' },
    },
    {
      name: 'no-group-by-its-own-index',
      severity: 'error',
      comment: 'within a group one file imports another directly',
      from: { path: '^core/src/([^/]+)/', pathNot: '/index\\.ts$' },
      to: { path: '^core/src/$1/index\\.ts$' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-circles-of-folders',
      severity: 'error',
      scope: 'folder',
      from: { path: '^(web|core)/src' },
      to: { circular: true },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'core knows no interface, server or machine',
      from: { path: '^core/src' },
      to: { path: '^(print|pictures|server|web|cli|e2e)/', dependencyTypesNot: ['type-only'] },
    },
    { name: 'core-without-node', severity: 'error', from: { path: '^core/src' }, to: { dependencyTypes: ['core'] } },
    {
      name: 'core-needs-few-packages',
      severity: 'error',
      comment:
        'zod reads files, d3-contour and d3-polygon draw the outline of what is seen in a photograph, ts-fsrs says what a drill asks next',
      from: { path: '^core/src' },
      to: { path: 'node_modules/(?!zod|ts-fsrs|d3-contour|d3-polygon|@types/d3-contour|@types/d3-polygon)' },
    },
    {
      name: 'print-and-pictures-need-core-only',
      severity: 'error',
      from: { path: '^(print|pictures)/src' },
      to: { path: '^(web|server|cli|e2e)/' },
    },
    {
      name: 'web-without-server',
      severity: 'error',
      from: { path: '^web/src' },
      to: { path: '^(print|pictures|server|cli|e2e)/' },
    },
    { name: 'server-without-web', severity: 'error', from: { path: '^server/src' }, to: { path: '^(web|cli|e2e)/' } },
    {
      name: 'cli-needs-no-server',
      severity: 'error',
      from: { path: '^cli/src' },
      to: { path: '^(web|server|e2e)/' },
    },
    {
      name: 'only-views-fetch',
      severity: 'error',
      comment: 'components take values and callbacks',
      from: { path: '^web/src/shared/(drawing|charts|fields)/' },
      to: { path: '^web/src/shared/api/' },
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
