/** Circles and wrong arrows between the layers; the same order as in docs/architecture.md. */
const ORDER = [['core'], ['catalog'], ['ui', 'workers', 'devices', 'data'], ['stations'], ['app']];

const upward = ORDER.flatMap((rank, i) => {
  const above = ORDER.slice(i + 1).flat();
  return above.length === 0
    ? []
    : [
        {
          name: `${rank.join('-')}-looks-up`,
          severity: 'error',
          from: { path: `^src/(${rank.join('|')})/` },
          to: { path: `^src/(${above.join('|')})/` },
        },
      ];
});

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    ...upward,
    {
      name: 'ui-knows-no-domain',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/(core|catalog)/' },
    },
    {
      name: 'no-orphans',
      severity: 'error',
      from: {
        orphan: true,
        pathNot: '(\\.d\\.ts|\\.test\\.tsx?|^src/(app|proxy|instrumentation|data/testing|cli/pebble))',
      },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.test\\.tsx?$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
    },
  },
};
