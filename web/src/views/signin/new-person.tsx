import type { ComponentProps } from 'react';
import { TextField } from '../../ui/field';

type Field = Omit<ComponentProps<typeof TextField>, 'label'>;

interface NewPersonFieldsProps {
  fields: { name: Field; email: Field; password: Field };
}

/** What somebody says who becomes a person here. */
function NewPersonFields({ fields }: NewPersonFieldsProps) {
  return (
    <>
      <TextField label="Your name" required maxLength={120} autoComplete="name" {...fields.name} />
      <TextField
        label="E-mail address"
        type="email"
        required
        maxLength={254}
        autoComplete="username"
        {...fields.email}
      />
      <TextField
        label="Password"
        type="password"
        required
        autoComplete="new-password"
        hint="At least 10 characters, in any script. A few words that don’t belong together are good."
        {...fields.password}
      />
    </>
  );
}

export { NewPersonFields };
