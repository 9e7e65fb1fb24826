import { z } from 'zod';

const END_OF_9999 = 253_402_300_799_999;

/** A moment, whole ms since 1970. */
export const atMsSchema = z.number().int().min(0).max(END_OF_9999);
