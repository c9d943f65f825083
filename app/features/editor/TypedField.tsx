import type { ComponentProps } from 'react';
import { createContext, useContext, useState } from 'react';
import { Field } from '../../ui/Field';

/** Whether somebody asked to publish: from then on every mistake is said. */
export const TriedContext = createContext(false);

/** A field of a sheet: what is wrong with it is said once it was typed in, or all of it is asked for. */
export function TypedField({ onChange, error, ...field }: ComponentProps<typeof Field>) {
  const tried = useContext(TriedContext);
  const [typed, setTyped] = useState(false);
  const type = (text: string) => {
    setTyped(true);
    onChange(text);
  };
  return <Field {...field} onChange={type} error={typed || tried ? error : undefined} />;
}
