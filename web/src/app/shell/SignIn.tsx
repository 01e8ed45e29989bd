import { useEffect, useState, type ReactNode } from 'react';
import useSWR, { mutate } from 'swr';
import { api } from '../../shared/api/client.ts';
import { whenSignInIsNeeded } from '../../shared/api/request.ts';

/** Lets through to everything else once this device is signed in, where it needs to be. */
export function SignedIn({ children }: { readonly children: ReactNode }) {
  const { data: state } = useSWR('sign-in', api.signInState);
  useEffect(() => {
    whenSignInIsNeeded(() => void mutate('sign-in'));
  }, []);
  return state?.needed === true && !state.signedIn ? <SignIn /> : children;
}

function SignIn() {
  const [phrase, setPhrase] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const send = async (): Promise<void> => {
    setBusy(true);
    try {
      await api.signIn(phrase);
      await mutate(() => true);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It did not work.');
      setBusy(false);
    }
  };
  return (
    <main className="h-full grid place-items-center p-6">
      <form
        className="w-[min(420px,94vw)]"
        onSubmit={(event) => {
          event.preventDefault();
          void send();
        }}
      >
        <h1 className="text-fly font-bold mb-1">Jobbet</h1>
        <label className="block">
          <span className="block mb-2 text-ink2">The phrase this Jobbet was started with</span>
          <input
            type="password"
            autoFocus
            autoComplete="current-password"
            className="w-full h-9 px-2 border border-rule bg-sheet text-row"
            value={phrase}
            aria-describedby={problem === null ? undefined : 'sign-in-problem'}
            onChange={(event) => setPhrase(event.target.value)}
          />
        </label>
        <button type="submit" className="sheet-button primary mt-3" disabled={busy || phrase === ''}>
          Sign in
        </button>
        {problem !== null && (
          <p id="sign-in-problem" role="alert" className="mt-3 text-warn">
            {problem}
          </p>
        )}
      </form>
    </main>
  );
}
