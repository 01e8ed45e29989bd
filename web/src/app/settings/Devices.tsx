import { dateAndTime, day } from '../../shared/ui/dates.ts';
import useSWR, { mutate } from 'swr';
import { api, type Device } from '../../shared/api/client.ts';
import { say } from '../../shared/ui/toast.ts';

/** Devices that are signed in, each with the way out; nothing where none needs to be. */
export function Devices() {
  const { data: state } = useSWR('sign-in', api.signInState);
  const { data: devices } = useSWR<Device[]>(state?.needed === true ? 'devices' : null, api.devices);
  if (state?.needed !== true) return null;
  const doing = (work: Promise<unknown>): void => {
    work
      .then(() => mutate('devices'))
      .catch((error: unknown) => say(error instanceof Error ? error.message : 'It did not work.'));
  };
  return (
    <section aria-label="Devices" className="py-3 border-t border-hair">
      <h2 className="text-part font-bold mb-1">Devices</h2>
      <p className="mb-2">Signed in with the phrase of this Jobbet. One that is not seen for 90 days is signed out.</p>
      <ul>
        {devices?.map((each) => (
          <li key={each.id} className="flex items-baseline gap-4 border-b border-hair py-1.5">
            <span className="flex-1 min-w-0">
              <span className={each.own ? 'font-bold' : ''}>{each.own ? 'This one' : each.words}</span>{' '}
              <span className="italic text-ink2">
                since {day(each.signedInAt)}, seen {dateAndTime(each.seenAt)}
              </span>
            </span>
            <button
              type="button"
              className="sheet-button"
              onClick={() => doing(each.own ? api.signOut().then(() => mutate('sign-in')) : api.signOutDevice(each.id))}
            >
              Sign {each.own ? 'out' : 'it out'}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
