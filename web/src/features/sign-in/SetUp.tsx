import { useState } from 'react';
import { api } from '../../api/client';
import { TextField } from '../../ui/TextField';
import { Entry } from './Entry';
import { Going } from './Going';
import { NewAccountFields, isFilled, type NewAccount } from './NewAccountFields';
import { useEntering } from './useEntering';

/** A server without instructors: who can read what it says at its start makes the first one. */
export function SetUp() {
  const [code, setCode] = useState('');
  const [who, setWho] = useState<NewAccount>({ name: '', signIn: '', password: '' });
  const entering = useEntering();
  const ready = code !== '' && isFilled(who);
  return (
    <Entry
      about="This server has no instructor yet. Make the first one: you."
      onSubmit={() =>
        void entering.enter(
          () => api.setUp(code, who.name, who.signIn, who.password),
          '/classes/new',
        )
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
      <Going entering={entering} missing={ready ? null : 'Fill in all four fields first'}>
        Begin
      </Going>
    </Entry>
  );
}
