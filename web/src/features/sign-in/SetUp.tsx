import { useState } from 'react';
import { api } from '../../api/client';
import { Button } from '../../ui/Button';
import { Refusal, TextField } from '../../ui/TextField';
import { Entry } from './Entry';
import { NewAccountFields, isFilled, type NewAccount } from './NewAccountFields';
import { useEntering } from './useEntering';

/** A server without instructors: who can read what it says at its start makes the first one. */
export function SetUp() {
  const [code, setCode] = useState('');
  const [who, setWho] = useState<NewAccount>({ name: '', signIn: '', password: '' });
  const { problem, busy, enter } = useEntering();
  const ready = code !== '' && isFilled(who);
  return (
    <Entry
      about="This server has no instructor yet. Make the first one: you."
      onSubmit={() =>
        void enter(() => api.setUp(code, who.name, who.signIn, who.password), '/classes/new')
      }
    >
      <TextField
        label="Set-up code"
        value={code}
        onChange={setCode}
        autoComplete="off"
        autoFocus
        hint="Told where the server was started; good for an hour."
      />
      <NewAccountFields value={who} onChange={setWho} />
      {problem && <Refusal>{problem}</Refusal>}
      <Button
        type="submit"
        look="main"
        size="tall"
        disabled={busy || !ready}
        title={ready ? undefined : 'Fill in all four fields first'}
      >
        Begin
      </Button>
    </Entry>
  );
}
