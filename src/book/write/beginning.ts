'use server';

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { CAR_CLASSES } from '@/catalog/carClasses';
import { ownCarId } from '@/catalog/ownCar';
import { ownTitleId } from '@/catalog/ownTitle';
import { titleNameSchema } from '@/core/formats/titleJson';
import { DRIVES, rigNameSchema, type RigSpec } from '@/core/rig/rigSpec';
import { idSchema, line } from '@/core/text/line';
import { begunTitle } from '@/core/titles/begunTitle';
import { SHAPES } from '@/core/titles/startingShapes';
import { knownOfACar, type DescribedCar } from '@/core/vehicle/carClass';
import type { Database } from '@/data/database';
import { listTitles, saveOwnCar, saveOwnTitle } from '@/data/ownTitles';
import { addRig } from '@/data/rigs';
import { combinationOfBrowser } from '../read/requestContext';
import { command } from './command';
import { openInTransaction } from './openInTransaction';
import { parseInput } from './parseInput';
import { refused, type Reply } from './reply';
import { nameTaken, plainRigOn, realDeviceSchema } from './rigParts';

const classSchema = z.enum(CAR_CLASSES.map(({ id }) => id) as [string, ...string[]]);

const beginningSchema = z.strictObject({
  rig: z.strictObject({
    name: rigNameSchema,
    device: realDeviceSchema,
    drive: z.enum(DRIVES),
    torqueNm: z.number().min(0.1).max(60).nullable(),
  }),
  /** One that is known, or another of which only the shape of its numbers is. */
  title: z.union([
    z.strictObject({ id: idSchema }),
    z.strictObject({ name: titleNameSchema, shape: z.enum(Object.keys(SHAPES) as [string, ...string[]]) }),
  ]),
  /** One that is known, or another of which only the class is. */
  car: z.union([
    z.strictObject({ id: idSchema }),
    z.strictObject({ name: line(80).min(1, 'a car needs a name'), className: classSchema }),
  ]),
});

/** The first evening in one go: the rig, the title and the car, as far as anybody knows them; all of it or nothing. */
export async function begin(input: z.input<typeof beginningSchema>): Promise<Reply> {
  const wanted = parseInput(beginningSchema, input);
  if (!wanted.ok) return refused(...wanted.problems);
  const { rig, title, car } = wanted.value;
  const now = await combinationOfBrowser();
  return command(async (book) => {
    const taken = await nameTaken(book, rig.name);
    if (taken) return taken;
    const rigId = randomUUID();
    const plain = plainRigOn(rig.device);
    const spec: RigSpec = { ...plain, base: { ...plain.base, drive: rig.drive, torqueNm: rig.torqueNm } };
    await addRig(book, { id: rigId, name: rig.name, spec });
    const carId = await carFor(book, car);
    const titleId = await titleFor(book, title);
    return openInTransaction(book, now, { rigId, titleId, carId });
  });
}

type Wanted = z.output<typeof beginningSchema>;

/** The title that is meant; one of the same name that was described before is that one. */
async function titleFor(book: Database, wanted: Wanted['title']): Promise<string> {
  if ('id' in wanted) return wanted.id;
  const known = (await listTitles(book)).all.find(
    ({ name }) => name.toLowerCase() === wanted.name.toLowerCase(),
  );
  if (known) return known.id;
  const id = randomUUID();
  await saveOwnTitle(book, { id, ...begunTitle(wanted.name, wanted.shape) });
  return ownTitleId(id);
}

async function carFor(book: Database, wanted: Wanted['car']): Promise<string> {
  if ('id' in wanted) return wanted.id;
  const known = (await listTitles(book)).cars.find(
    ({ name }) => name.toLowerCase() === wanted.name.toLowerCase(),
  );
  if (known) return known.id;
  const id = randomUUID();
  const car: DescribedCar = { ...knownOfACar(() => null), name: wanted.name, className: wanted.className };
  await saveOwnCar(book, { id, ...car });
  return ownCarId(id);
}
