/** Which package may import which: arrows point one way. */
const only = (from, allowed) => ({
  name: `${from}-imports-only-${allowed.join('-') || 'itself'}`,
  severity: 'error',
  from: { path: `^${from}/src`, pathNot: '\\.test\\.ts$' },
  to: { path: '^(core|contract|derive|server|web|demo|e2e|bench|tools)/', pathNot: `^(${[from, ...allowed].join('|')})/` },
});

module.exports = {
  forbidden: [
    only('core', []),
    only('contract', ['core']),
    only('derive', ['contract', 'core']),
    only('server', ['derive', 'contract', 'core']),
    only('web', ['derive', 'contract', 'core']),
    { name: 'no-circles', severity: 'error', from: { pathNot: '\\.test\\.ts$' }, to: { circular: true } },
    {
      name: 'core-subjects-by-their-index',
      comment: 'inside core, a subject uses its neighbours through their index only',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/src/[^/]+/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$'] },
    },
    { name: 'bottom-of-core', severity: 'error', from: { path: '^core/src/(quantity|reading|material)/', pathNot: '\\.test\\.ts$' }, to: { path: '^core/src/(stack|shim|wear|fit|drawing)/' } },
  ],
  options: { tsPreCompilationDeps: true, doNotFollow: { path: 'node_modules' }, exclude: { path: 'dist/' }, enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'], extensions: ['.ts', '.tsx', '.mjs', '.js'] } },
};
