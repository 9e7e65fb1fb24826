// `npm run mutate`: plants faults in the heart, one at a time, and says which of them its tests let pass.
// Without arguments: the files of PINNED. `-- src/core/force src/core/rides/laps.ts`: those. `-- --sample 300 --seed 5`: lines
// drawn from all folders of the heart that decide something, which is what the tests are worth where nobody looked.
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { cache } from './bundle.mjs';
import { ensureInstalled } from './install.mjs';
import { root, run } from './run.mjs';

/** Folders of the heart in which a limit that is a little off is a wrong figure or a wrong word. */
const FOLDERS = ['axes', 'response', 'rotation', 'experiment', 'force', 'rides', 'settings', 'formats'];
/** Files whose boundaries are held by the tests beside them: eight of ten faults or more are caught. */
const PINNED = [
  'axes/roughness.ts',
  'response/weaning.ts',
  'rotation/matchRotation.ts',
  'rotation/calmCentre.ts',
  'experiment/noticed.ts',
  'experiment/slots.ts',
  'force/crashSpike.ts',
  'force/minForcePlan.ts',
  'rides/logSignals.ts',
  'settings/transferSettings.ts',
  'formats/wholeRows.ts',
].map((file) => `src/core/${file}`);

const { values: asked, positionals } = parseArgs({
  allowPositionals: true,
  options: { sample: { type: 'string' }, seed: { type: 'string', default: '1' } },
});

const mutate = asked.sample
  ? drawn(Number(asked.sample), Number(asked.seed))
  : (positionals.length > 0 ? positionals : PINNED).map((path) =>
      statSync(join(root, path)).isDirectory() ? `${path}/**/*.ts` : path,
    );

ensureInstalled();
const tools = join(cache, 'mutate');
if (!existsSync(join(tools, 'node_modules'))) {
  mkdirSync(tools, { recursive: true });
  for (const name of ['package.json', 'package-lock.json'])
    writeFileSync(join(tools, name), readFileSync(join(root, 'scripts', 'mutate', name)));
  run('npm', ['ci', '--prefix', tools, '--legacy-peer-deps', '--no-audit', '--no-fund', '--loglevel=error']);
}
const tool = (path) => join(tools, 'node_modules', '@stryker-mutator', path);
const config = join(tools, 'stryker.config.json');
writeFileSync(
  config,
  JSON.stringify({
    mutate: [...mutate, '!**/*.test.ts', '!**/testing/**'],
    testRunner: 'jest',
    plugins: [pathToFileURL(tool('jest-runner/dist/src/index.js')).href],
    jest: {
      projectType: 'custom',
      configFile: 'scripts/mutate/jest.config.mjs',
      enableFindRelatedTests: true,
    },
    testRunnerNodeArgs: ['--experimental-vm-modules'],
    coverageAnalysis: 'perTest',
    ignoreStatic: true,
    // What is said in words is not what is counted here.
    mutator: { excludedMutations: ['StringLiteral'] },
    concurrency: 2,
    timeoutMS: 20_000,
    tempDirName: join(cache, 'mutated'),
    ignorePatterns: ['/.next', '/docs', '/e2e', '/test-results', '/bench'],
    reporters: ['clear-text', 'json'],
    clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
    jsonReporter: { fileName: join(cache, 'mutate.json') },
    thresholds: { high: 90, low: 80, break: asked.sample || positionals.length > 0 ? null : 80 },
  }),
);
run(process.execPath, [tool('core/bin/stryker.js'), 'run', config]);

/** Stretches of six lines, as many as it takes for about so many faults (two of three lines hold one). */
function drawn(faults, seed) {
  const files = FOLDERS.flatMap((folder) => sources(join('src', 'core', folder)));
  const stretches = files.flatMap((file) => {
    const lines = readFileSync(join(root, file), 'utf8').split('\n').length;
    return Array.from({ length: Math.ceil(lines / 6) }, (_, i) => `${file}:${6 * i + 1}-${6 * i + 6}`);
  });
  process.stderr.write(`Drawn with --seed ${seed}\n`);
  let state = seed;
  const random = () => (state = (state * 48271) % 2147483647) / 2147483647;
  const some = [];
  for (let i = 0; i < faults / 4; i++)
    some.push(stretches.splice(Math.floor(random() * stretches.length), 1)[0]);
  return some;
}

function sources(folder) {
  return readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !name.includes('testing'))
    .map((name) => join(folder, name));
}
