import { useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { counted } from '../../ui/time';
import { saveSlips, type PeopleControl, type PeopleData, type Person } from './usePeople';

interface Props {
  people: readonly Person[];
  data: PeopleData;
  control: PeopleControl;
  open: boolean;
  onClose: () => void;
}

/** New slips, on paper or by mail: says before what they end, and whom no mail can reach. */
export function SlipDialog({ open, ...props }: Props) {
  const { people, onClose } = props;
  const [one] = people;
  return (
    <Dialog
      title={people.length === 1 && one ? `New slip for ${one.name}` : 'New sign-in slips'}
      open={open}
      onClose={onClose}
    >
      {open && <Ways {...props} />}
    </Dialog>
  );
}

function Ways({ people, data, control, onClose }: Omit<Props, 'open'>) {
  const mail = useQuery(queries.mail(data.id));
  const reached = people.filter((p) => p.rosterAddress);
  const signedIn = people.filter((p) => p.seenAt !== null);
  const [one] = people;
  const make = async (work: () => Promise<unknown>) => {
    if (await control.change(work)) onClose();
  };
  return (
    <div className="space-y-4">
      <p>
        {people.length === 1
          ? 'With the slip they choose a password, once, within 14 days.'
          : `${counted(people.length, 'person', 'people')} choose a password with them, once, within 14 days.`}{' '}
        A slip that was given before ends.
      </p>
      {signedIn.length > 0 && (
        <p>
          <b className="font-semibold">
            {signedIn.length === people.length
              ? 'They are signed out everywhere'
              : `${counted(signedIn.length, 'of them is', 'of them are')} signed out everywhere`}
          </b>{' '}
          and come in by the new slip only. Nothing of their work is lost.
        </p>
      )}
      {mail.data?.isSent && reached.length < people.length && (
        <p className="text-ink2">
          The roster has no address of{' '}
          {reached.length === 0
            ? people.length === 1
              ? one?.name
              : 'any of them'
            : counted(people.length - reached.length, 'of them')}
          : print {people.length - reached.length === 1 ? 'that slip' : 'those slips'}.
        </p>
      )}
      {control.problem && <p role="alert">{control.problem}</p>}
      <div className="flex flex-wrap gap-2">
        <Button
          look="main"
          onClick={() =>
            void make(() =>
              saveSlips(
                data.id,
                people.map((p) => p.id),
                people.length === 1 && one ? `slip-${one.signIn}` : 'sign-in-slips',
              ),
            )
          }
        >
          {people.length === 1 ? 'Print it' : `Print ${people.length}`}
        </Button>
        {mail.data?.isSent && reached.length > 0 && (
          <Button
            onClick={() =>
              void make(() =>
                api.mailSlips(
                  data.id,
                  reached.map((p) => p.id),
                ),
              )
            }
          >
            {people.length === 1 ? `Send it to ${one?.rosterAddress}` : `Send ${reached.length}`}
          </Button>
        )}
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </div>
  );
}
