import { useQueryClient } from '@tanstack/react-query';
import type { OpeningAnswer } from '#contract';
import { api } from '../../state/api.ts';
import { forgetAnswers } from '../../state/offline.ts';
import { useOpening } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { dayAndTime } from '../../ui/dates.ts';
import { ScanCode } from '../../ui/ScanCode.tsx';

/** How the tablet at the bench finds Nelvik, and who has come in. */
export function OtherDevices({ locale }: { locale: string }) {
  const { data } = useOpening();
  if (!data) return null;
  return (
    <section className="lg:col-span-2" aria-label="Tablets and other devices">
      <h2 className="mb-1 text-xl">Tablets and other devices</h2>
      {data.isOpen ? <Addresses addresses={data.addresses} /> : <Closed hasPasscode={data.hasPasscode} />}
      {data.hasPasscode && <WhoIsIn sessions={data.sessions} locale={locale} />}
    </section>
  );
}

function Closed({ hasPasscode }: { hasPasscode: boolean }) {
  return (
    <>
      <p className="max-w-prose text-mute">
        Nelvik answers on this computer alone{hasPasscode ? ', after the passcode' : ''}. To open it to the tablet at
        the bench, stop it and start it with a passcode of at least six characters:
      </p>
      <p className="mt-2 w-fit rounded-md bg-soft px-4 py-2 font-semibold">NELVIK_PASSCODE=… HOST=0.0.0.0 npm start</p>
      <p className="mt-2 max-w-prose text-mute">
        The address for the tablet stands here then, as a code to scan. docs/opening.md tells how to add HTTPS, which a
        tablet needs to open Nelvik without a network.
      </p>
    </>
  );
}

function Addresses({ addresses }: { addresses: readonly string[] }) {
  const [first] = addresses;
  if (first === undefined) return <p className="text-mute">This computer has no address in a network just now.</p>;
  return (
    <div className="flex items-center gap-6">
      <ScanCode text={first} />
      <div>
        <p className="max-w-prose text-mute">
          Scan this with the tablet, or type the address there; then the passcode.
        </p>
        <ul className="mt-1">
          {addresses.map((address) => (
            <li key={address} className="font-semibold">
              {address}
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
}

function WhoIsIn({ sessions, locale }: { sessions: OpeningAnswer['sessions']; locale: string }) {
  const client = useQueryClient();
  const end = async (id: string) => {
    await api.endSession(id);
    await client.invalidateQueries({ queryKey: ['opening'] });
  };
  const leave = async () => {
    await api.leave();
    await forgetAnswers();
    window.location.assign('/');
  };
  return (
    <>
      <h3 className="mt-4 mb-1 font-semibold">Who has come in</h3>
      <p className="max-w-prose text-mute">
        A device that is not used for 14 days, or came in 90 days ago, is asked for the passcode again; so are all when
        the passcode is changed.
      </p>
      <ul className="mt-2">
        {sessions.map(({ id, device, address, startedAt, seenAt, isThis }) => (
          <li key={id} className="flex min-h-14 items-center gap-4 border-t border-line">
            <span className="flex-1">
              {device === 'hand' ? 'A tablet or phone' : 'A computer'}
              {isThis && <b className="font-semibold"> · this one</b>}
              <span className="text-mute">
                {' '}
                · {address} · came in {dayAndTime(startedAt, locale)} · last here {dayAndTime(seenAt, locale)}
              </span>
            </span>
            {isThis ? (
              <Button look="quiet" className="px-1" onClick={() => void leave()}>
                Log out here
              </Button>
            ) : (
              <Button look="quiet" className="px-1" onClick={() => void end(id)}>
                End
              </Button>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
