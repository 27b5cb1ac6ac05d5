import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { TextField } from '../../ui/TextField';
import { Entry } from './Entry';
import { Going } from './Going';
import { NewAccountFields, isFilled, type NewAccount } from './NewAccountFields';
import { BackToSignIn } from './Slip';
import { useEntering } from './useEntering';

/** Joining a class by its code; what class that is, is told before anything else is typed. */
export function Join({ given }: { given: string }) {
  const [words, setWords] = useState(given);
  const [who, setWho] = useState<NewAccount>({ name: '', signIn: '', password: '' });
  const [invitation, setInvitation] = useState<Schemas['Invitation'] | null>(null);
  const entering = useEntering();
  const { data: session } = useQuery(queries.session());
  const look = () =>
    void entering.attempt(async () => {
      setInvitation(await api.invitation(words));
    });
  if (!invitation) {
    return (
      <Entry about="Join a class: its code is three words." onSubmit={look}>
        <TextField
          label="Join code"
          value={words}
          onChange={setWords}
          autoComplete="off"
          autoFocus
          placeholder="kelp lantern stern"
        />
        <Going entering={entering} missing={words ? null : 'Type the three words first'}>
          Look it up
        </Going>
        {!session?.name && <BackToSignIn />}
      </Entry>
    );
  }
  const about = (
    <>
      <span className="block text-[16px] font-semibold text-ink">{invitation.course}</span>
      taught by {invitation.instructors.join(' and ')}.
      {session?.name
        ? ` You join as ${session.name}.`
        : ' Make an account to join; if you have one, sign in first.'}
    </>
  );
  if (session?.name) {
    return (
      <Entry about={about} onSubmit={() => void entering.enter(() => api.join(words), '/')}>
        <Going entering={entering} missing={null}>
          Join {invitation.course}
        </Going>
      </Entry>
    );
  }
  return (
    <Entry
      about={about}
      onSubmit={() =>
        void entering.enter(
          () => api.joinAsNewcomer(words, who.name, who.signIn, who.password),
          '/',
        )
      }
    >
      <NewAccountFields value={who} onChange={setWho} autoFocus />
      <Going entering={entering} missing={isFilled(who) ? null : 'Fill in all three fields first'}>
        Join
      </Going>
      <BackToSignIn />
    </Entry>
  );
}
