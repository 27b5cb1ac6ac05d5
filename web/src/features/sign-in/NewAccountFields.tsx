import { TextField } from '../../ui/TextField';

export interface NewAccount {
  name: string;
  signIn: string;
  password: string;
}

export function isFilled(account: NewAccount): boolean {
  return account.name !== '' && account.signIn !== '' && account.password !== '';
}

/** "Lea Brandvik" signs in as "lea.brandvik", unless somebody says otherwise. */
function proposed(name: string): string {
  return name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/ø/g, 'o')
    .replace(/æ/g, 'ae')
    .replace(/[^a-z0-9]+/g, '.')
    .replace(/^[.0-9]+|\.+$/g, '');
}

/** Name, sign-in and password of somebody who makes an account. */
export function NewAccountFields(props: {
  value: NewAccount;
  onChange: (value: NewAccount) => void;
  autoFocus?: boolean;
}) {
  const { value, onChange } = props;
  return (
    <>
      <TextField
        label="Your name"
        value={value.name}
        autoComplete="name"
        autoFocus={props.autoFocus}
        onChange={(name) => {
          const follows = value.signIn === proposed(value.name);
          onChange({ ...value, name, signIn: follows ? proposed(name) : value.signIn });
        }}
      />
      <TextField
        label="Sign-in"
        value={value.signIn}
        autoComplete="username"
        onChange={(signIn) => onChange({ ...value, signIn })}
        hint="What you type to sign in."
      />
      <TextField
        label="Password"
        type="password"
        value={value.password}
        autoComplete="new-password"
        onChange={(password) => onChange({ ...value, password })}
        hint="At least 10 letters: a few words that you remember."
      />
    </>
  );
}
