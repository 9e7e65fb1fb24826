import { ROOMS } from './rooms.mjs';

/** Circles, wrong arrows between the rooms, and files nobody needs. */
const arrows = Object.entries(ROOMS).map(([room, may]) => ({
  name: `${room.replace('/', '-')}-looks-up`,
  severity: 'error',
  from: { path: `^src/${room}/`, pathNot: '/testing/' },
  to: { path: '^src/', pathNot: `^src/(${[room, ...may].join('|')})/` },
}));

const LOOSE = '^src/(stations/|book/)?[^/]+$';
const ENTRIES = '^src/(instrumentation|proxy)\\.ts$';

const config = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    ...arrows,
    {
      name: 'stations-apart',
      severity: 'error',
      from: { path: '^src/stations/([^/]+)/' },
      to: { path: '^src/stations/', pathNot: '^src/stations/$1/' },
    },
    {
      name: 'no-loose-file',
      comment: 'Every file of src lies in a room, and every file of stations in a station.',
      severity: 'error',
      from: { path: LOOSE, pathNot: ENTRIES },
      to: {},
    },
    { name: 'no-loose-file-used', severity: 'error', from: {}, to: { path: LOOSE, pathNot: ENTRIES } },
    {
      name: 'no-orphans',
      severity: 'error',
      from: {
        orphan: true,
        pathNot: '(\\.d\\.ts|/testing/|^src/(app|proxy|instrumentation|cli/pebble))',
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

export default config;
