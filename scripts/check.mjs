// `npm run check`: what a change is looked at with before it is committed; `npm test` does all of it, and the browser.
import { spawnSync } from 'node:child_process';
import { ensureInstalled } from './install.mjs';
import { root, runJest, runTool, runToolBeside } from './run.mjs';

const started = Date.now();
ensureInstalled({ isWhole: true });
const touched = touchedFiles();
const lint = runToolBeside('eslint/bin/eslint.js', [
  '.',
  '--max-warnings',
  '0',
  '--cache',
  '--cache-location',
  'node_modules/.cache/eslint/',
]);
runTool('@typescript/native-preview/bin/tsgo', ['--noEmit']);
await lint();
const layers = runToolBeside('dependency-cruiser/bin/dependency-cruise.mjs', [
  '--config',
  '.dependency-cruiser.mjs',
  'src',
]);
if (touched.length > 0) runTool('prettier/bin/prettier.cjs', ['--check', '--ignore-unknown', ...touched]);
runTool('knip/bin/knip.js', ['--no-progress']);
await layers();
const sources = touched.filter((file) => /^(src|scripts)\/.*\.tsx?$/.test(file));
// Tests beside what was touched, and those that were touched themselves.
const beside = sources.map((file) => file.replace(/(\.test)?\.tsx?$/, '.test'));
if (beside.length > 0) runJest(['--passWithNoTests', '--testPathPatterns', ...beside.map(asPattern)], {});
process.stderr.write(`\nChecked in ${((Date.now() - started) / 1000).toFixed(0)} s\n`);

/** Files that differ from the newest commit, and those that are new. */
function touchedFiles() {
  const git = (...args) =>
    spawnSync('git', args, { cwd: root, encoding: 'utf8' }).stdout?.split('\n').filter(Boolean) ?? [];
  return [
    ...git('diff', '--name-only', '--diff-filter=d', 'HEAD'),
    ...git('ls-files', '--others', '--exclude-standard'),
  ];
}

function asPattern(path) {
  return path.replace(/[.[\]()]/g, '\\$&');
}
