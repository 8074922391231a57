import { type FormEvent, useCallback } from 'react';
import {
  type DefaultValues,
  type FieldValues,
  type Path,
  type UseFormReturn,
  useForm,
} from 'react-hook-form';
import { useWrite } from './use-write';

export interface FormWrite<Values extends FieldValues> {
  form: UseFormReturn<Values>;
  /** What a field of the page wants: its name, its value, and what the server says against it. */
  field: (
    name: Path<Values>,
  ) => ReturnType<UseFormReturn<Values>['register']> & { fault: string | undefined };
  submit: (event?: FormEvent) => void;
  writing: boolean;
  /** What the server says against a field that isn't one of the form's own; the whole of it without a name. */
  faultOf: (name: string) => string | undefined;
}

/**
 * A form whose values are written: what is typed is kept whatever comes of it, and what the server says stands beside its field.
 *
 * @param prefix of the form's fields in what the server says, "edit." for example
 */
export function useFormWrite<Values extends FieldValues>(
  defaultValues: DefaultValues<Values>,
  send: (values: Values) => Promise<unknown>,
  prefix = '',
): FormWrite<Values> {
  const form = useForm<Values>({ defaultValues });
  const { write, writing, fault } = useWrite(send, true);
  const { register, handleSubmit } = form;
  const faultOf = useCallback((name: string) => fault?.of(name), [fault]);
  return {
    form,
    field: (name) => ({ ...register(name), fault: faultOf(`${prefix}${name}`) }),
    submit: (event) => {
      event?.preventDefault();
      void handleSubmit((values) => write(values))();
    },
    writing,
    faultOf,
  };
}
