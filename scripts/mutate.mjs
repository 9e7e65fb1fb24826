// `npm run mutate`: plants faults in the heart, one at a time, and says which of them the tests beside it let pass.
// `-- src/core/force src/core/rides/laps.ts:20-60` folders, files, or lines of them; `-- --sample 300 --seed 5` so many faults, drawn from them.
// Without a folder: 320 faults, drawn from all folders that decide something. It is no part of `npm test`.
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { cache } from './bundle.mjs';
import { ensureInstalled } from './install.mjs';
import { root, run } from './run.mjs';

/** Folders of the heart in which a limit that is a little off is a wrong figure or a wrong word. */
const FOLDERS = ['axes', 'response', 'rotation', 'experiment', 'force', 'rides', 'settings', 'formats'];
/** Faults are drawn by stretches of so many lines; two of three lines hold one. */
const STRETCH = 6;
const FAULTS_PER_STRETCH = 4;
const LEAST_CAUGHT = 80;

const { values: asked, positionals } = parseArgs({
  allowPositionals: true,
  options: { sample: { type: 'string' }, seed: { type: 'string' } },
});
const places = positionals.length > 0 ? positionals : FOLDERS.map((folder) => `src/core/${folder}`);
const files = places.flatMap((place) =>
  place.endsWith('.ts') || place.includes(':') ? [place] : sources(place),
);
const seed = Number(asked.seed ?? Date.now() % 100_000);
const sample = asked.sample ?? (positionals.length > 0 ? null : '320');
const mutate = sample === null ? files : drawn(Number(sample), seed);
if (sample !== null) process.stderr.write(`Drawn with --seed ${seed}\n`);

ensureInstalled({ isWhole: true });
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
    mutate,
    testRunner: 'jest',
    plugins: [pathToFileURL(tool('jest-runner/dist/src/index.js')).href],
    jest: { projectType: 'custom', configFile: 'scripts/mutate/jest.config.mjs' },
    testRunnerNodeArgs: ['--experimental-vm-modules'],
    coverageAnalysis: 'perTest',
    ignoreStatic: true,
    // What is said in words is not what is counted here.
    mutator: { excludedMutations: ['StringLiteral'] },
    concurrency: 2,
    timeoutMS: 20_000,
    tempDirName: join('test-results', 'mutated'),
    ignorePatterns: ['/.next', '/docs', '/e2e', '/test-results', '/bench'],
    reporters: ['clear-text', 'json', 'progress-append-only'],
    clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
    jsonReporter: { fileName: join(cache, 'mutate.json') },
    thresholds: { high: 90, low: LEAST_CAUGHT, break: LEAST_CAUGHT },
  }),
);
const beside = new Set(files.map((file) => file.split(/[\\/]/)[2]));
run(process.execPath, [tool('core/bin/stryker.js'), 'run', config], {
  env: { PEBBLE_MUTATED: [...beside].join(',') },
});

function drawn(faults, from) {
  const stretches = files.flatMap((file) => {
    const lines = readFileSync(join(root, file), 'utf8').split('\n').length;
    return Array.from(
      { length: Math.ceil(lines / STRETCH) },
      (_, i) => `${file}:${STRETCH * i + 1}-${STRETCH * (i + 1)}`,
    );
  });
  let state = from;
  const random = () => (state = ((state + 1) * 48271) % 2147483647) / 2147483647;
  const count = Math.min(stretches.length, Math.ceil(faults / FAULTS_PER_STRETCH));
  return Array.from({ length: count }, () => stretches.splice(Math.floor(random() * stretches.length), 1)[0]);
}

function sources(folder) {
  return readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !name.includes('testing'))
    .map((name) => join(folder, name));
}
