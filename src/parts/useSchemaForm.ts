import { zodResolver } from '@hookform/resolvers/zod';
import { useForm, type DefaultValues, type FieldValues, type UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';
import { fieldWords } from '@/core/formats/schemaProblem';

/** A form that its schema judges, in our words, field by field once somebody has gone through it. */
export function useSchemaForm<In extends FieldValues, Out extends FieldValues>(
  schema: z.ZodType<Out, In>,
  begins: DefaultValues<In>,
): UseFormReturn<In, unknown, Out> {
  return useForm<In, unknown, Out>({
    resolver: zodResolver(schema, { error: fieldWords }),
    defaultValues: begins,
    mode: 'onTouched',
  });
}
