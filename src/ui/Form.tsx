'use client';

import {
  useController,
  type Control,
  type FieldPathByValue,
  type FieldValues,
  type UseFormReturn,
} from 'react-hook-form';
import { DateField, NumberField, SelectField, TextField } from './fields';
import { useUnsavedGuard } from './unsavedGuard';

/**
 * A form whose schema judges it: what is wrong stands beside its field, Enter keeps, and whoever leaves it with
 * something that isn't kept is asked first.
 */
export function Form<In extends FieldValues, Out extends FieldValues>({
  form,
  id,
  what,
  onKeep,
  children,
}: {
  form: UseFormReturn<In, unknown, Out>;
  /** For a button that stands elsewhere: `<Button type="submit" form={id}>`. */
  id: string;
  /** What would be lost, as the warning calls it. */
  what: string;
  onKeep(value: Out): void | Promise<void>;
  children: React.ReactNode;
}) {
  const { isDirty } = form.formState;
  useUnsavedGuard(isDirty ? what : null);
  return (
    <form
      id={id}
      // Its fields stand beside each other by the room that it has, not the window.
      className="@container"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (isDirty) void form.handleSubmit(onKeep)();
      }}
    >
      {children}
      {/* Enter keeps from every field, wherever the button that is seen stands. */}
      <button type="submit" hidden />
    </form>
  );
}

interface Bound<In extends FieldValues, Value> {
  control: Control<In>;
  name: FieldPathByValue<In, Value>;
  label: string;
  isStacked?: boolean;
  isBare?: boolean;
}

/** What a field shows, changes and is told, bound to its place in the form. */
function useBound<In extends FieldValues, Value>({
  control,
  name,
  label,
  isStacked,
  isBare,
}: Bound<In, Value>) {
  const { field, fieldState } = useController({ control, name });
  return {
    label,
    value: field.value as Value,
    onChange: (value: Value) => field.onChange(value),
    onBlur: field.onBlur,
    fault: fieldState.error?.message,
    ...(isStacked === undefined ? {} : { isStacked }),
    ...(isBare === undefined ? {} : { isBare }),
  };
}

export function FormText<In extends FieldValues>({ most, ...bound }: Bound<In, string> & { most?: number }) {
  return <TextField {...useBound(bound)} {...(most === undefined ? {} : { most })} />;
}

export function FormNumber<In extends FieldValues>({
  unit,
  ...bound
}: Bound<In, number | null> & { unit: string }) {
  return <NumberField {...useBound(bound)} unit={unit} />;
}

export function FormDate<In extends FieldValues>(bound: Bound<In, string>) {
  return <DateField {...useBound(bound)} />;
}

/** One of several; `none` names the choice that there is nothing, which the form holds as `null`. */
export function FormSelect<In extends FieldValues, T extends string>({
  options,
  none,
  ...bound
}: Bound<In, T | null> & { options: readonly { value: T; name: string }[]; none?: string }) {
  const { value, onChange, ...shared } = useBound(bound);
  return (
    <SelectField<T | ''>
      {...shared}
      value={value ?? ''}
      options={none === undefined ? options : [...options, { value: '', name: none }]}
      onChange={(chosen) => onChange(chosen === '' ? null : chosen)}
    />
  );
}
