import type { UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';
import type { rigFormSchema } from '@/core/rig/rigForm';

type RigForm = z.input<typeof rigFormSchema>;
/** The form of the rig, handed to its parts. */
export type RigFormReturn = UseFormReturn<RigForm, unknown, z.output<typeof rigFormSchema>>;
export type RigControl = RigFormReturn['control'];
