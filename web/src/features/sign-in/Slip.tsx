import { useState } from 'react';
import { Link } from 'react-router';
import { api, type Schemas } from '../../api/client';
import { TextField } from '../../ui/TextField';
import { Entry } from './Entry';
import { Going } from './Going';
import { useEntering } from './useEntering';

/** A sign-in slip: its code, then a password of one's own. */
export function Slip() {
  const [code, setCode] = useState('');
  const [password, setPassword] = useState('');
  const [whose, setWhose] = useState<Schemas['SlipView'] | null>(null);
  const entering = useEntering();
  const look = () =>
    void entering.attempt(async () => {
      setWhose(await api.slip(code));
    });
  if (!whose) {
    return (
      <Entry about="Type the code that stands on your sign-in slip." onSubmit={look}>
        <TextField
          label="Code of the slip"
          value={code}
          onChange={setCode}
          autoComplete="one-time-code"
          autoFocus
          placeholder="K7MQ-4XRT-9HPW"
        />
        <Going entering={entering} missing={code ? null : 'Type the code first'}>
          Go on
        </Going>
        <BackToSignIn />
      </Entry>
    );
  }
  return (
    <Entry
      about={`Welcome, ${whose.name}. You sign in as ${whose.signIn}; choose a password.`}
      onSubmit={() => void entering.enter(() => api.useSlip(code, password), '/')}
    >
      <TextField
        label="A password of your own"
        type="password"
        value={password}
        onChange={setPassword}
        autoComplete="new-password"
        autoFocus
        hint="At least 10 letters: a few words that you remember."
      />
      <Going entering={entering} missing={password ? null : 'Choose a password first'}>
        Sign in
      </Going>
    </Entry>
  );
}

export function BackToSignIn() {
  return (
    <p className="text-ink2">
      <Link className="underline" to="/sign-in">
        Back to sign in
      </Link>
    </p>
  );
}
