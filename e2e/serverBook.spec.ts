import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import type { Page } from '@playwright/test';
import pg from 'pg';
import { captureBrake, expect, ride, test } from './fixtures';
import { copyBook, removeBook, startServer, type Server } from './server';

const SERVER = process.env['TEST_DATABASE_URL'];

async function ask(text: string) {
  const client = new pg.Client({ connectionString: SERVER });
  await client.connect();
  await client.query(text);
  await client.end();
}

test.skip(!SERVER, 'there is no PostgreSQL server to keep a book on');
test.use({ book: 'empty' });

test('two programs on one PostgreSQL server: measured and ridden at one rig, seen at the other, and after a crash', async ({
  page,
  browser,
}) => {
  test.slow();
  const name = `pebble_walk_${process.pid}`;
  await ask(`create database ${name}`);
  const url = new URL(SERVER!);
  url.pathname = `/${name}`;
  const folder = copyBook('few');
  const programs: Server[] = [];
  const context = await browser.newContext();
  try {
    // As a driver brings a book along who has had it in a folder.
    await promisify(execFile)(process.execPath, ['scripts/move.mjs', '--to', url.href], {
      env: { ...process.env, PEBBLE_DATA: folder },
    });
    for (let i = 0; i < 2; i++) programs.push(await startServer(folder, 'empty', undefined, url.href));
    const [one, two] = programs as [Server, Server];
    const other = await context.newPage();
    await openTern(page, one.url);
    await captureBrake(page);
    await page.getByRole('button', { name: /^Apply: Brake ebb 0 to/ }).click();
    const change = /Change: Brake ebb 0 → \d$/;
    await expect(page.getByRole('button', { name: change })).toBeVisible();

    // The other rig's program shows it at its next look.
    await openTern(other, two.url);
    await expect(other.getByRole('button', { name: change })).toBeVisible();
    await other.getByRole('button', { name: /^Apply: Brake flood 0 to/ }).click();
    await expect(other.getByRole('button', { name: /Change: Brake flood/ })).toBeVisible();
    await page.goto(`${one.url}/ride`);
    await expect(page.getByRole('button', { name: /Change: Brake flood/ })).toBeVisible();
    await ride(page, /Ride B, 3 laps/);

    // What was acknowledged is there when a program fell and is started again.
    await one.kill();
    programs[0] = await startServer(folder, 'empty', Number(new URL(one.url).port), url.href);
    await page.goto(`${one.url}/verdict`);
    await expect(page.getByRole('button', { name: /Ride B, 3 laps/ })).toBeVisible();
    await other.reload();
    await expect(other.getByRole('button', { name: /Ride B, 3 laps/ })).toBeVisible();
  } finally {
    await context.close();
    for (const program of programs) await program.stop();
    removeBook(folder);
    await ask(`drop database ${name} with (force)`);
  }
});

async function openTern(page: Page, url: string) {
  await page.goto(`${url}/axes/brake`);
  await expect(page.getByRole('banner').getByRole('button', { name: 'Rig: Tern' })).toBeVisible();
}
